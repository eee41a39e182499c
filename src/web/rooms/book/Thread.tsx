import { useNavigate, useSearchParams } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useReadIf } from "../../api/data";
import { Pick } from "../../parts/Pick";
import { Room } from "../../parts/Room";

const columns = ["lots", "made", "put out", "beds", "harvests"];
const COL = 186;
const ROW = 56;
const BOX = 158;

/** From any lot to every bed and harvest it touched, and back, drawn as a thread. */
export function Thread() {
  const [search, setSearch] = useSearchParams();
  const starts = useRead("/api/book/thread/starts");
  const of = search.get("of") ?? starts[0]?.id ?? "";
  const thread = useReadIf(of !== "", "/api/book/thread", { params: { query: { of } } });
  const t = thread;
  return (
    <Room
      title="Follow the thread"
      under="From any lot to every bed and harvest it touched; from any bed, back."
      peek={t?.sentence}
      bench={
        <>
          <Pick
            label="Follow"
            value={of}
            options={(starts ?? []).map((s) => ({ value: s.id, name: `${s.group}: ${s.name}` }))}
            onChange={(id) => setSearch({ of: id })}
          />
          {t && <Drawn thread={t} follow={(id) => setSearch({ of: id })} />}
        </>
      }
      slate={
        t ? (
          <>
            <h2 className="text-2xl">{t.sentence}</h2>
            {columns.map((name, c) => {
              const list = t.knots.filter((k) => k.column === c);
              return (
                list.length > 0 && (
                  <section key={name} aria-label={name}>
                    <h3 className="text-lg">{name}</h3>
                    <ul className="figures">
                      {list.map((k) => (
                        <li key={k.id} className="border-t border-line py-1">
                          <b>{k.name}</b>, {k.says}
                          {t.lengths
                            .filter((l) => (k.kind === "bed" ? l.to === k.id && l.says : false))
                            .map((l) => (
                              <span key={l.from} className="text-ash">
                                {" "}
                                · {l.says} on {t.knots.find((x) => x.id === l.from)?.name}
                              </span>
                            ))}
                        </li>
                      ))}
                    </ul>
                  </section>
                )
              );
            })}
          </>
        ) : null
      }
    />
  );
}

function Drawn({ thread, follow }: { thread: Schemas["ThreadView"]; follow: (id: string) => void }) {
  const go = useNavigate();
  const used = columns.map((_, c) => thread.knots.filter((k) => k.column === c));
  const present = used.map((list, c) => ({ list, c })).filter((x) => x.list.length > 0);
  const rows = Math.max(1, ...used.map((l) => l.length));
  const place = new Map(
    present.flatMap(({ list }, col) =>
      list.map((k, i) => [k.id, { x: 6 + col * COL, y: 34 + ((rows - list.length) / 2 + i) * ROW }] as const),
    ),
  );
  const width = 6 + present.length * COL;
  return (
    <div className="mt-3 overflow-x-auto">
      <svg
        viewBox={`0 0 ${width} ${40 + rows * ROW}`}
        style={{ minWidth: `${present.length * 8}rem` }}
        className="block w-full"
        role="group"
        aria-label={thread.sentence}
      >
        {present.map(({ c }, col) => (
          <text key={c} x={6 + col * COL} y="18" fontSize="15" fontWeight="700" className="fill-ash">
            {columns[c]}
          </text>
        ))}
        {thread.lengths.map((l) => {
          const [a, b] = [place.get(l.from), place.get(l.to)];
          if (!a || !b) return null;
          const [x1, y1, x2, y2] = [a.x + BOX, a.y + 23, b.x, b.y + 23];
          const sag = (x2 - x1) / 2;
          return (
            <path
              key={l.from + l.to}
              d={`M${x1} ${y1}C${x1 + sag} ${y1} ${x2 - sag} ${y2} ${x2} ${y2}`}
              fill="none"
              className="stroke-clay"
              strokeWidth="1.8"
              opacity="0.75"
            />
          );
        })}
        {thread.knots.map((k) => {
          const p = place.get(k.id)!;
          const open = () =>
            ["lot", "bed", "batch"].includes(k.kind) && !k.asked ? follow(k.id) : k.link && go(k.link);
          return (
            <g
              key={k.id}
              role="link"
              tabIndex={0}
              data-knot={k.id}
              transform={`translate(${p.x} ${p.y})`}
              className="cursor-pointer"
              onClick={open}
              onKeyDown={(e) => e.key === "Enter" && open()}
            >
              <rect
                width={BOX}
                height="46"
                rx={k.kind === "bed" ? 0 : 23}
                className={k.asked ? "fill-clay stroke-clay" : "fill-paper stroke-ink"}
                strokeWidth="1.6"
              />
              <text x="12" y="19" fontSize="16" fontWeight="700" className={k.asked ? "fill-paper" : "fill-ink"}>
                {k.name.length > 16 ? k.name.slice(0, 15) + "…" : k.name}
              </text>
              <text x="12" y="37" fontSize="16" className={k.asked ? "fill-paper" : "fill-ash"}>
                {k.says.length > 18 ? k.says.slice(0, 17) + "…" : k.says}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
