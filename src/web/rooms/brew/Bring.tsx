import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, must, type Problem, type Schemas, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** A photo, or a logger's file: read first, shown, and kept whole or not at all. */
export function Bring({ batch }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const [csv, setCsv] = useState<string | null>(null);
  const path = { params: { path: { id: batch.id } } };
  const preview = useQuery<Schemas["LoggerPreview"], Problem>({
    queryKey: ["logger", batch.id, csv],
    queryFn: () => must(client.POST("/api/brew/batches/{id}/logger/preview", { ...path, body: { csv } })),
    enabled: csv !== null,
    retry: false,
    refetchInterval: false,
  });
  const keep = useWrite(
    (text: string, headers) => client.POST("/api/brew/batches/{id}/logger", { ...path, body: { csv: text }, headers }),
    () => setCsv(null),
  );
  const photo = useWrite((file: File, headers) =>
    client.POST("/api/brew/batches/{id}/photos", {
      ...path,
      body: file as never,
      bodySerializer: (f: unknown) => f as BodyInit,
      headers: { ...headers, "Content-Type": file.type },
    }),
  );
  const p = preview.data;
  return (
    <div className="mt-3 flex flex-col gap-4 bg-paper p-4">
      <label className="block">
        <b>Photo</b> (JPEG or PNG; only the picture is kept, nothing hidden in it)
        <input
          type="file"
          accept="image/jpeg,image/png"
          className="mt-1 block min-h-12 w-full"
          onChange={(e) => e.target.files?.[0] && photo.mutate(e.target.files[0])}
        />
      </label>
      {photo.isSuccess && <p role="status">✓ Photo kept.</p>}
      <Wrong problem={photo.error} />
      <label className="block">
        <b>Logger file</b> (CSV: time, mg/L, °C; point or comma)
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="mt-1 block min-h-12 w-full"
          onChange={async (e) => setCsv((await e.target.files?.[0]?.text()) ?? null)}
        />
      </label>
      {keep.isSuccess && <p role="status">✓ {keep.data.readings} readings kept.</p>}
      <Wrong problem={keep.error ?? preview.error} />
      {p && (
        <div>
          <p>{p.columns.map((c) => `${c.header}: ${c.takenFor}`).join(" · ")}</p>
          {p.problems.length > 0 ? (
            <>
              <p role="alert" className="font-bold text-plum">
                ✕ Nothing was kept. {p.problems.length} {p.problems.length === 1 ? "line needs" : "lines need"} mending:
              </p>
              <ul>
                {p.problems.slice(0, 8).map((x) => (
                  <li key={x.line + x.wrong}>
                    line {x.line}: {x.wrong} {x.wayOut}
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <>
              <table className="my-2 w-full">
                <caption className="text-left">
                  {p.rows} rows; the first {p.first.length}:
                </caption>
                <thead>
                  <tr className="text-left">
                    <th scope="col">time</th>
                    <th scope="col">mg/L</th>
                    <th scope="col">°C</th>
                  </tr>
                </thead>
                <tbody>
                  {p.first.map((r) => (
                    <tr key={r.line}>
                      <td>{clock.when(r.at)}</td>
                      <td>{r.mgPerL ?? "–"}</td>
                      <td>{r.temperatureC ?? "–"}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <Button kind="filled" disabled={keep.isPending} onClick={() => csv && keep.mutate(csv)}>
                Keep all {p.rows}
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}
