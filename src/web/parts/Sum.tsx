import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import type { Schemas } from "../api/client";
import { useUs } from "../api/units";
import { Button } from "./Button";

const sureWords: Record<Schemas["Evidence"], string> = {
  measuredHere: "measured here",
  chemistryOrPhysics: "chemistry or physics",
  publishedTrials: "published trials",
  practitionersRule: "practitioners’ rule",
  contested: "contested",
};

/** How sure, in words. */
export const Sure = ({ sure }: { sure: Schemas["Evidence"] }) => <span>{sureWords[sure]}</span>;

interface Props {
  working: Schemas["WorkingLine"][];
  sure: Schemas["Evidence"];
  of: string;
}

/** Show the sum: any figure opened to its working, line by line. Opens by tap, or by the key w. */
export function Sum({ working, sure, of }: Props) {
  const [open, setOpen] = useState(false);
  const us = useUs();
  useEffect(() => {
    const press = (e: Event) => {
      if ((e as CustomEvent<string>).detail === "sum") setOpen(true);
    };
    window.addEventListener("mudpie-key", press);
    return () => window.removeEventListener("mudpie-key", press);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="plain" className="self-start">
          = show the sum
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
        <Dialog.Content className="fixed inset-x-0 bottom-0 z-50 max-h-[85vh] overflow-y-auto rounded-t-3xl bg-paper p-5 text-ink wide:inset-x-auto wide:bottom-auto wide:left-1/2 wide:top-1/2 wide:w-[46rem] wide:-translate-x-1/2 wide:-translate-y-1/2 wide:rounded-3xl">
          <Dialog.Title className="font-head text-xl font-bold">The sum behind {of}</Dialog.Title>
          <Dialog.Description className="mb-3 text-ash">
            How sure: <Sure sure={sure} />
            {us && ". The sum itself is done in litres, metres and °C."}
          </Dialog.Description>
          <ol className="flex flex-col">
            {working.map((l, i) => (
              <li key={i} className="border-t border-line py-2">
                <p className="flex justify-between gap-4">
                  <b>{l.name}</b> <b className="figures text-right">{l.result}</b>
                </p>
                <p className="figures">
                  {l.formula}
                  {l.figures && ` : ${l.figures}`}
                </p>
                <p className="text-ash">{l.source}</p>
              </li>
            ))}
          </ol>
          <Dialog.Close asChild>
            <Button className="mt-4">Close the sum</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
