import { type ReactNode, useState } from "react";

interface Props {
  title: string;
  under?: ReactNode;
  bench: ReactNode;
  slate: ReactNode;
  /** The sentence that stays in sight on a phone while the slate is down. */
  peek?: string;
}

/** Every room: the bench, where you touch, and the slate, where you read. On a phone the slate is a sheet pulled up from below. */
export function Room({ title, under, bench, slate, peek }: Props) {
  const [up, setUp] = useState(false);
  return (
    <main
      id="room"
      className="mx-auto max-w-[88rem] px-4 pb-40 pt-2 wide:grid wide:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] wide:gap-8 wide:px-7 wide:pb-10"
    >
      <section aria-label="Bench" className="min-w-0">
        <h1 className="text-2xl leading-tight wide:text-3xl">{title}</h1>
        {under && <p className="mt-1 text-ash">{under}</p>}
        <div className="mt-4">{bench}</div>
      </section>
      <section
        aria-label="Slate"
        className={`no-print fixed inset-x-0 bottom-14 z-20 rounded-t-3xl border-t-2 border-line bg-paper px-4 wide:static wide:z-0 wide:rounded-none wide:border-l-2 wide:border-t-0 wide:bg-transparent wide:px-0 wide:pl-8 ${up ? "max-h-[78vh] overflow-y-auto pb-6" : "max-h-[4.6rem] overflow-hidden wide:max-h-none"}`}
      >
        <button
          type="button"
          aria-expanded={up}
          aria-controls="slate"
          onClick={() => setUp(!up)}
          className="sticky top-0 flex min-h-12 w-full flex-col items-center bg-paper pr-16 pt-2 text-center wide:hidden"
        >
          <span aria-hidden className="block h-1.5 w-14 rounded-full bg-line" />
          <span className="py-1 font-bold">
            {up ? "Put the slate down" : (peek ?? "What Mud Pie says")} <span aria-hidden>{up ? "↓" : "↑"}</span>
          </span>
        </button>
        <div id="slate" className={`${up ? "" : "max-wide:invisible"} flex flex-col gap-5 wide:pt-1`}>
          {slate}
        </div>
      </section>
    </main>
  );
}
