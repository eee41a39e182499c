import { Button } from "./Button";
import { Go } from "./Go";

interface Label {
  name: string;
  /** The square that leads to it. */
  code: string;
  alt: string;
  lines: readonly (string | null | undefined | false)[];
}

interface Props {
  title: string;
  labels: readonly Label[];
  back: { to: string; name: string };
}

/** A page of labels and nothing else on paper: what it is, and a square that leads to it. */
export function Labels({ title, labels, back }: Props) {
  return (
    <main id="room" className="mx-auto max-w-3xl px-5 pb-24 pt-5">
      <h1 className="no-print text-2xl">{title}</h1>
      <p className="no-print my-4 flex flex-wrap gap-3">
        <Button kind="filled" onClick={() => window.print()}>
          Print {labels.length === 1 ? "it" : "them"}
        </Button>
        <Go to={back.to}>{back.name}</Go>
      </p>
      <ul className="grid gap-4 wide:grid-cols-2 print:grid-cols-2">
        {labels.map((l) => (
          <li key={l.name} className="flex break-inside-avoid items-center gap-4 border-2 border-ink p-4">
            <img src={l.code} alt={l.alt} className="h-28 w-28 shrink-0" />
            <p className="min-w-0">
              <b className="block font-head text-2xl leading-tight">{l.name}</b>
              {l.lines
                .filter((line) => line)
                .map((line, i) => (
                  <span key={i} className="figures block">
                    {line}
                  </span>
                ))}
            </p>
          </li>
        ))}
      </ul>
    </main>
  );
}
