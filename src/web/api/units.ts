import { client, useRead } from "./client";

/** Whether the holding speaks in US customary units. */
export function useUs() {
  return useRead(["holding"], () => client.GET("/api/holding")).data?.units === "usCustomary";
}

/** The words of the holding's units, for labels; figures come from the server in them already. */
export function useUnitWords() {
  const us = useUs();
  return us
    ? {
        large: "an acre",
        small: "1,000 sq ft",
        volume: "gallon",
        mass: "pound",
        warmth: "°F",
        ounce: "fl oz",
        hand: "4 inches",
        meter: "50 to 86 °F",
        indoors: "68",
      }
    : {
        large: "a hectare",
        small: "100 m²",
        volume: "litre",
        mass: "kilo",
        warmth: "°C",
        ounce: "mL",
        hand: "10 cm",
        meter: "10 to 30 °C",
        indoors: "20",
      };
}
