import { useFieldWrite } from "./outbox";
import { Button } from "./Button";
import { Wrong } from "./Wrong";

/** Put off for half an hour, or seen to. */
export function NoticeButtons({ id, about }: { id: number; about: string }) {
  const off = useFieldWrite(
    "/api/watch/{id}/put-off",
    (minutes: number) => ({
      params: { path: { id } },
      body: { minutes },
    }),
    () => `put off: ${about}`,
  );
  const done = useFieldWrite(
    "/api/watch/{id}/done",
    () => ({ params: { path: { id } } }),
    () => `seen to: ${about}`,
  );
  return (
    <>
      <span className="flex flex-wrap gap-4">
        <Button
          kind="plain"
          aria-label={`put off 30 min: ${about}`}
          disabled={off.isPending}
          onClick={() => off.mutate(30)}
        >
          put off 30 min
        </Button>
        <Button
          kind="plain"
          aria-label={`seen to: ${about}`}
          disabled={done.isPending}
          onClick={() => done.mutate(null)}
        >
          seen to
        </Button>
      </span>
      <Wrong problem={off.error ?? done.error} />
    </>
  );
}
