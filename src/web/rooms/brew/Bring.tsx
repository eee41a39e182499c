import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFieldWrite, useOutbox } from "../../parts/outbox";
import { useWorkOut, useWrite } from "../../api/data";
import { asFile } from "../../api/files";
import { Button } from "../../parts/Button";
import { Wrong } from "../../parts/Wrong";
import { useClock } from "../../parts/clock";

/** A photo, or a logger's file: read first, shown, and kept whole or not at all. */
export function Bring({ batch }: { batch: Schemas["BatchView"] }) {
  const clock = useClock();
  const [csv, setCsv] = useState<string | null>(null);
  const path = { params: { path: { id: batch.id } } };
  const preview = useWorkOut("/api/brew/batches/{id}/logger/preview", csv !== null ? { ...path, body: { csv } } : null);
  const keep = useWrite(
    "/api/brew/batches/{id}/logger",
    (text: string) => ({ ...path, body: { csv: text } }),
    () => setCsv(null),
  );
  const photo = useFieldWrite(
    "/api/brew/batches/{id}/photos",
    (file: File) => ({ ...path, ...asFile(file) }),
    () => `photo, ${batch.vessel.name}`,
  );
  const waits = useOutbox().list.some((w) => w.path === "/api/brew/batches/{id}/photos");
  const p = preview.data;
  return (
    <div className="mt-3 flex flex-col gap-4 bg-paper p-4">
      <label className="block">
        <b>Photo</b> (JPEG or PNG; only the picture is kept, nothing hidden in it)
        <input
          type="file"
          accept="image/jpeg,image/png"
          className="mt-1 block min-h-12 w-full"
          onChange={(e) => {
            if (e.target.files?.[0]) photo.mutate(e.target.files[0]);
            e.target.value = "";
          }}
        />
      </label>
      {photo.isSuccess && (
        <p role="status">
          {photo.data || !waits ? "✓ Photo kept." : "▲ Photo kept on this device; sent when Mud Pie answers."}
        </p>
      )}
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
      <Wrong problem={keep.error ?? preview.problem} />
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
