import { useContext } from "react";
import { Holding } from "../parts/clock";

/** Whether the holding speaks in US customary units. */
export function useUs() {
  return useContext(Holding)?.units === "usCustomary";
}

/** The words of the holding's units, for labels; figures come from the server in them already. */
export function useUnitWords() {
  const us = useUs();
  return us
    ? {
        large: "an acre",
        square: "a square foot",
        patch: "10 sq ft",
        wetting: "10 sq ft",
        wet: "3 fl oz",
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
        square: "a square metre",
        patch: "1 m²",
        wetting: "a m²",
        wet: "100 mL",
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
