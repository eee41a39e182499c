import { useId, useState } from "react";
import { useNavigate } from "react-router-dom";
import { client, type Schemas, useRead, useWrite } from "../../api/client";
import { Button } from "../../parts/Button";
import { Room } from "../../parts/Room";
import { Sum } from "../../parts/Sum";
import { Wrong } from "../../parts/Wrong";
import { BookNav } from "./BookNav";

/** The beds drawn to scale from their outlines; those without one stand above by their area. */
export function PlanOfBeds() {
  const plan = useRead(["ground-plan"], () => client.GET("/api/ground/plan"));
  const p = plan.data;
  return (
    <Room
      title="The ground, to scale"
      under="Outlines come in and go out as GeoJSON."
      peek={p && `${p.beds.length} beds`}
      bench={
        <>
          <BookNav />
          {p && <Drawn plan={p} />}
          <GeoFiles />
        </>
      }
      slate={
        p ? (
          <>
            <h2 className="text-xl">Beds</h2>
            <ul className="figures">
              {p.beds.map((b) => (
                <li key={b.id} className="border-t border-line py-1.5">
                  <b>{b.name}</b>, {b.crop}, {b.areaShown}
                  {!b.surveyed && " (no outline: drawn by its area)"}
                  {b.life && `; ground: ${b.life}`}
                  {b.wait && <span className="block text-straw">▲ {b.wait}</span>}
                </li>
              ))}
            </ul>
            <Sum working={p.working} sure={p.sure} of="these areas" />
          </>
        ) : null
      }
    />
  );
}

function Drawn({ plan }: { plan: Schemas["GroundPlanView"] }) {
  const go = useNavigate();
  const hatch = useId();
  const W = 740;
  const scale = W / Math.max(plan.widthM, 1);
  const H = plan.heightM * scale;
  const shapes = plan.beds.map((b) => {
    const points = b.points.map((q) => [q.x * scale, H - q.y * scale] as const);
    const xs = points.map((q) => q[0]);
    const ys = points.map((q) => q[1]);
    const box = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
    return { b, points, box, small: box.right - box.left < 40 || box.bottom - box.top < 20 };
  });
  // Names of beds too small to hold them stand beside, a line apart, joined by a stroke.
  const beside = shapes
    .filter((s) => s.small)
    .map((s) => ({
      id: s.b.id,
      name: s.b.name,
      x: s.box.right,
      y: (s.box.top + s.box.bottom) / 2,
      at: (s.box.top + s.box.bottom) / 2,
    }))
    .sort((p, q) => p.x - q.x || p.y - q.y);
  const groups: (typeof beside)[] = [];
  for (const p of beside) {
    const group = groups.at(-1);
    const before = group?.at(-1);
    if (group && before && Math.abs(before.x - p.x) < 60 && p.at < before.at + 16) {
      p.at = before.at + 16;
      group.push(p);
    } else groups.push([p]);
  }
  for (const group of groups) {
    const over = (group.at(-1)!.at - group.at(-1)!.y) / 2;
    for (const p of group) p.at -= over;
  }
  return (
    <svg
      viewBox={`-10 -10 ${W + 20} ${H + 60}`}
      className="mt-3 block w-full"
      role="group"
      aria-label="Plan of the beds"
    >
      <defs>
        <pattern id={hatch} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" className="stroke-straw" strokeWidth="2" />
        </pattern>
      </defs>
      {shapes.map(({ b, points }) => {
        const open = () => go(`/book?bed=${b.id}`);
        return (
          <g
            key={b.id}
            role="link"
            tabIndex={0}
            aria-label={`${b.name}, ${b.areaShown}${b.wait ? ", " + b.wait : ""}`}
            className="cursor-pointer"
            onClick={open}
            onKeyDown={(e) => e.key === "Enter" && open()}
          >
            <polygon
              points={points.map((q) => q.join(",")).join(" ")}
              className="fill-brew stroke-ink"
              strokeWidth="1.4"
              strokeDasharray={b.surveyed ? undefined : "5 4"}
            />
            {b.wait && (
              <polygon points={points.map((q) => q.join(",")).join(" ")} fill={`url(#${hatch})`} opacity="0.55" />
            )}
          </g>
        );
      })}
      {shapes
        .filter((t) => !t.small)
        .map(({ b, box }) => (
          <text
            key={b.id}
            x={box.left + (box.right - box.left > 90 ? 6 : 0)}
            y={box.top + (box.right - box.left > 90 ? 18 : -5)}
            fontSize="15"
            fontWeight="700"
            className="pointer-events-none fill-ink halo"
            aria-hidden
          >
            {b.name}
          </text>
        ))}
      {beside.map((p) => (
        <g key={p.id} className="pointer-events-none" aria-hidden>
          <path d={`M${p.x} ${p.y}L${p.x + 14} ${p.at}`} className="stroke-ash" strokeWidth="1" />
          <text x={p.x + 18} y={p.at + 5} fontSize="14" className="fill-ink halo">
            {p.name}
          </text>
        </g>
      ))}
      <g transform={`translate(0 ${H + 24})`}>
        <path d={`M0 -6V0H${plan.scaleBarM * scale}V-6`} fill="none" className="stroke-ink" strokeWidth="2" />
        <text x={plan.scaleBarM * scale + 8} y="3" fontSize="15" className="fill-ink figures">
          {plan.scaleBarShown}; north is up; hatched: waits before harvest
        </text>
      </g>
    </svg>
  );
}

function GeoFiles() {
  const [text, setText] = useState<string | null>(null);
  const preview = useWrite((geoJson: string, headers) =>
    client.POST("/api/ground/geojson/preview", { body: { geoJson }, headers }),
  );
  const keep = useWrite(
    (geoJson: string, headers) => client.POST("/api/ground/geojson", { body: { geoJson }, headers }),
    () => setText(null),
  );
  return (
    <section aria-label="GeoJSON" className="mt-4">
      <p className="flex flex-wrap gap-x-5">
        <a
          href="/api/ground/beds.geojson"
          download="beds.geojson"
          className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
        >
          beds as GeoJSON
        </a>
        <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
          bring outlines
          <input
            type="file"
            accept=".geojson,.json,application/geo+json"
            className="sr-only"
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              const t = await file.text();
              setText(t);
              preview.mutate(t);
            }}
          />
        </label>
      </p>
      {text && preview.data && (
        <>
          <ul>
            {preview.data.features.map((f) => (
              <li key={f.name} className="border-t border-line py-1">
                <b>{f.name}</b>, {f.areaShown}: {f.says}
              </li>
            ))}
          </ul>
          <Button kind="filled" disabled={keep.isPending} onClick={() => keep.mutate(text)}>
            Keep these outlines
          </Button>
        </>
      )}
      {keep.data && <p role="status">✓ {keep.data.id} outlines kept.</p>}
      <Wrong problem={preview.error ?? keep.error} />
    </section>
  );
}
