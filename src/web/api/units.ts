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
        knapsack: "4 gal",
        square5: "250 sq ft",
        onBed: "7 gal",
        harvest: "25 lb",
        barrel: "48 gal",
        bottle: "2 gal, 1 qt",
        sack: "50 lb",
        cellar: "57 F",
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
        knapsack: "15 L",
        square5: "25 m²",
        onBed: "25 L",
        harvest: "12 kg",
        barrel: "180 L",
        bottle: "5 L, 2 gal",
        sack: "25 kg",
        cellar: "14 C",
      };
}

const litre = [
  { value: "perHa", name: "on a hectare" },
  { value: "per100m2", name: "on 100 m²" },
  { value: "perLitre", name: "in a litre of mix" },
];
const gallon = [
  { value: "perAcre", name: "on an acre" },
  { value: "per1000ft2", name: "on 1,000 sq ft" },
  { value: "perGallon", name: "in a gallon of mix" },
];

/** What a rate is on, the holding's own first: a label may come from either side of the water. */
export function useRateBases() {
  const own = useUs() ? [...gallon, ...litre] : [...litre, ...gallon];
  return [...own, { value: "oneIn", name: "one part in so many" }];
}

/** What a number of organisms is for: as it travels, and as it is chosen. */
export function useDoseEach(): { value: string; name: string }[] {
  const plant = { value: "plant", name: "plant" };
  return useUs()
    ? [
        plant,
        { value: "gallon", name: "gallon of feed" },
        { value: "ft2", name: "square foot" },
        { value: "lbSeed", name: "pound of seed" },
        { value: "acre", name: "acre" },
      ]
    : [
        plant,
        { value: "litre", name: "litre of feed" },
        { value: "m2", name: "square metre" },
        { value: "kgSeed", name: "kilo of seed" },
        { value: "ha", name: "hectare" },
      ];
}
