import { useState } from "react";

/** What was last worked out well: it stays to be seen, and to be put right, while what was typed is refused. */
export function useLastGood<T>(data: T | undefined): T | undefined {
  const [good, setGood] = useState(data);
  if (data !== undefined && data !== good) setGood(data);
  return data ?? good;
}
