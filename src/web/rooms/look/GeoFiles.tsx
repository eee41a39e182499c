import { useState } from "react";
import { useWrite } from "../../api/data";
import { Button } from "../../parts/Button";
import { Wrong } from "../../parts/Wrong";

/** Outlines of beds, out and in as GeoJSON; looked at before they are kept. */
export function GeoFiles() {
  const [text, setText] = useState<string | null>(null);
  const preview = useWrite("/api/ground/geojson/preview", (geoJson: string) => ({ body: { geoJson } }));
  const keep = useWrite(
    "/api/ground/geojson",
    (geoJson: string) => ({ body: { geoJson } }),
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
