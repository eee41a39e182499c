import type { Schemas } from "../../api/client";

/** A job of mixing as it is asked for, with nothing left out. */
export type Asked = Schemas["MixRequest"] & {
  parts: Schemas["MixPartAsked"][];
  mixes: Schemas["MixWanted"][];
  into: Schemas["Filling"];
  crop: Schemas["PotCrop"];
};

/** What the server says may leave out what is usual. */
export const whole = (asked: Schemas["MixRequest"]): Asked => ({
  ...asked,
  parts: asked.parts ?? [],
  mixes: asked.mixes ?? [],
  into: asked.into ?? "pots",
  crop: asked.crop ?? "unsaid",
});
