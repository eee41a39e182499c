import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { asFile } from "../../api/files";
import { Button } from "../../parts/Button";
import { useClock } from "../../parts/clock";
import { Field } from "../../parts/Field";
import { useFieldWrite } from "../../parts/outbox";
import { Refusals } from "../../parts/Form";
import { Tick } from "../../parts/Tick";
import { WrongElse } from "../../parts/Wrong";

interface Props {
  peg: Schemas["PegView"];
  /** It shows the way there. */
  way?: boolean;
  onKept?: () => void;
}

/**
 * A picture from the same place: the last one lies ghosted over the camera, to frame it the same; where there is no camera it
 * lies beside, and a picture is brought.
 */
export function Camera({ peg, way = false, onKept }: Props) {
  const clock = useClock();
  const video = useRef<HTMLVideoElement>(null);
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [none, setNone] = useState(false);
  const [toward, setToward] = useState("");
  const [height, setHeight] = useState("");
  const [above, setAbove] = useState(false);
  const [place, setPlace] = useState(false);
  const ghost = way ? peg.wayPhotoId : peg.lastPhotoId;
  const send = useFieldWrite(
    "/api/look/pegs/{id}/photos",
    (file: File) => ({
      params: {
        path: { id: peg.id },
        query: {
          way,
          above,
          toward: toward || undefined,
          heightM: height ? Number(height) : undefined,
          keepPlace: place,
        },
      },
      ...asFile(file),
    }),
    () => `photo, ${peg.called}`,
    () => onKept?.(),
  );
  useEffect(() => {
    if (video.current) video.current.srcObject = stream;
    return () => stream?.getTracks().forEach((t) => t.stop());
  }, [stream]);
  const open = async () => {
    try {
      setStream(await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment", width: 1600 } }));
    } catch {
      setNone(true);
    }
  };
  const shoot = () => {
    const from = video.current!;
    const paper = document.createElement("canvas");
    [paper.width, paper.height] = [from.videoWidth, from.videoHeight];
    paper.getContext("2d")!.drawImage(from, 0, 0);
    paper.toBlob((blob) => blob && send.mutate(new File([blob], "peg.jpg", { type: "image/jpeg" })), "image/jpeg", 0.9);
    setStream(null);
  };
  return (
    <section aria-label={way ? "A picture of the way" : "A picture from here"}>
      <Refusals problem={send.error}>
        {stream ? (
          <div className="relative">
            <video ref={video} autoPlay playsInline muted className="block w-full" />
            {ghost != null && (
              <img
                src={`/api/look/photos/${ghost}/small`}
                alt=""
                className="pointer-events-none absolute inset-0 h-full w-full object-cover opacity-40"
              />
            )}
            <p className="absolute inset-x-0 top-0 bg-ink/60 px-3 py-1 text-paper">
              {ghost != null
                ? `ghost: ${peg.lastPhotoAt ? clock.date(peg.lastPhotoAt) : "the last one"}; frame it the same`
                : "the first one from here"}
            </p>
          </div>
        ) : (
          ghost != null && (
            <figure>
              <img
                src={`/api/look/photos/${ghost}/small`}
                alt={`the last picture from ${peg.called}`}
                className="max-h-64"
              />
              <figcaption className="text-ash">
                the last one, to frame this one by
                {!way && peg.lastPhotoSays && `: ${peg.lastPhotoSays}`}
              </figcaption>
            </figure>
          )
        )}
        <p className="mt-2 flex flex-wrap items-center gap-3">
          {stream ? (
            <Button kind="filled" onClick={shoot}>
              Take it
            </Button>
          ) : (
            !none && <Button onClick={() => void open()}>Open the camera</Button>
          )}
          <label className="inline-flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4 focus-within:outline focus-within:outline-3 focus-within:outline-river">
            {none ? "no camera here: bring a photo" : "bring a photo"}
            <input
              type="file"
              accept="image/jpeg,image/png"
              className="sr-only"
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (file) send.mutate(file);
                e.target.value = "";
              }}
            />
          </label>
          <span role="status">
            {send.isPending ? "sending …" : send.isSuccess ? (send.data ? "✓ kept" : "▲ kept on this device") : ""}
          </span>
        </p>
        <details>
          <summary className="min-h-11 cursor-pointer py-2.5 text-clay underline underline-offset-4">
            how it is taken
          </summary>
          <div className="grid gap-x-4 sm:grid-cols-2">
            <Field label="Toward" value={toward} onChange={setToward} name="toward" hint="the oak; north" />
            <Field
              label="From how high, m"
              inputMode="decimal"
              value={height}
              onChange={setHeight}
              name="heightM"
              hint="1.5"
            />
            <Tick on={above} onToggle={() => setAbove(!above)} label="Straight down, from above" />
            <Tick
              on={place}
              onToggle={() => setPlace(!place)}
              label="Keep where it was taken"
              under="else it is taken out of the picture"
            />
          </div>
        </details>
        <WrongElse />
      </Refusals>
    </section>
  );
}
