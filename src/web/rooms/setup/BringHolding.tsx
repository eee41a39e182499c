import { useWrite } from "../../api/data";
import { asFile } from "../../api/files";
import { Fold } from "../../parts/Fold";
import { Wrong } from "../../parts/Wrong";

/** A holding that was packed elsewhere, brought in before anything is set up here. */
export function BringHolding() {
  const bring = useWrite(
    "/api/copies/zip",
    (file: File) => asFile(file, "application/zip"),
    () => location.replace("/"),
  );
  return (
    <div className="mt-8">
      <Fold line="Or bring a holding that you have">
        <label className="block">
          Its zip, as it was packed by “the whole holding as open files”. Its record comes with all pictures; its people
          and phones do not, they are let in anew.
          <input
            type="file"
            accept=".zip,application/zip"
            disabled={bring.isPending}
            className="mt-1 block min-h-12"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) bring.mutate(file);
              e.target.value = "";
            }}
          />
        </label>
        {bring.isPending && <p role="status">Unpacking …</p>}
        <Wrong problem={bring.error} />
      </Fold>
    </div>
  );
}
