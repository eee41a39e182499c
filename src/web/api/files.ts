/** What goes with a request whose body is a file as it is. */
export const asFile = (file: File, type = file.type) => ({
  body: file as never,
  bodySerializer: (f: unknown) => f as BodyInit,
  headers: { "Content-Type": type },
});

/** What goes with a request as one text: two requests with the same text are the same write. */
export function inWords(init: Record<string, unknown>): string {
  const { body, ...rest } = init;
  return JSON.stringify(
    body instanceof File ? { ...rest, file: [body.name, body.size, body.lastModified] } : { ...rest, body },
  );
}
