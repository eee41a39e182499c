import type { Schemas } from "../../api/client";

/** Whether a pump runs in it: a dunked extract and a steeped feed have none. */
export const aired = (b: { making: Schemas["BatchView"]["making"] }) => b.making === "tea" || b.making === "bubbled";
