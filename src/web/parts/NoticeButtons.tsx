import { client, useWrite } from "../api/client";
import { Button } from "./Button";
import { Wrong } from "./Wrong";

/** Put off for half an hour, or seen to. */
export function NoticeButtons({ id, about }: { id: number; about: string }) {
  const off = useWrite((minutes: number, headers) =>
    client.POST("/api/watch/{id}/put-off", { params: { path: { id } }, body: { minutes }, headers }),
  );
  const done = useWrite((_: null, headers) =>
    client.POST("/api/watch/{id}/done", { params: { path: { id } }, headers }),
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
