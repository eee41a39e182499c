import type { Schemas } from "../../api/client";

export type Plan = Schemas["TrialRequest"];

/** Levels as typed, "no char, 5 % char", one by one. */
export const cut = (text: string) =>
  text
    .split(",")
    .map((s) => s.trim())
    .filter(Boolean);

/** Every level of each factor with every level of the others, in order. */
export function crossed(levels: string[][]): string[][] {
  return levels.reduce<string[][]>((sets, of) => sets.flatMap((s) => of.map((l) => [...s, l])), [[]]);
}

/** A first plan: from a template, or with sensible values standing in it. */
export function begin(
  template: Partial<Schemas["TrialTemplate"]> | undefined,
  beds: Schemas["BedView"][],
  us = false,
): Plan {
  const kind = template?.kind ?? "beds";
  const [length, width] = (
    us
      ? { pots: ["10 ft", "4 ft"], strips: ["330 ft", "200 ft"], beds: ["100 ft", "4 ft"] }
      : { pots: ["3 m", "1.2 m"], strips: ["100 m", "60 m"], beds: ["30 m", "1.2 m"] }
  )[kind as "beds"] as [string, string];
  // A claim about garlic begins on the beds that grow garlic.
  const fit = beds.filter(
    (b) => b.crop.split(/[ ,]/)[0]!.length > 2 && template?.question?.includes(b.crop.split(/[ ,]/)[0]!),
  );
  const on = fit.length > 0 ? fit : beds;
  const places = (kind === "beds" ? on.slice(0, fit.length > 0 ? (template?.replicates ?? 5) : 1) : on.slice(0, 1)).map(
    (b) => ({ name: b.name, length, width }),
  );
  const levels = template?.levels ?? [["nothing", "water only", "tea"]];
  const treatments = crossed(levels.map((l) => [...l])).map((l, i) => ({
    name: l.join(", "),
    levels: l,
    role: (i === 0 ? "control" : l.includes("water only") ? "water" : "treatment") as Schemas["TrialRole"],
    inputId: null,
    rate: "",
    rateBasis: us ? "perFt2" : "perM2",
    water: "",
  }));
  return {
    templateId: template?.id ?? null,
    question: template?.question ?? "",
    crop: on[0]?.crop ?? "",
    season: "this season",
    displaces: template?.displaces ?? "",
    design: template?.design ?? "blocks",
    kind,
    liquid: template?.liquid ?? true,
    factors: [...(template?.factors ?? ["treatment"])],
    treatments,
    replicates: template?.replicates ?? 5,
    noise: "",
    worthHaving: "",
    money: { costPerHa: null, pricePerUnit: null, basis: us ? "perFt2" : "perM2", plotM2: null },
    places: places.length > 0 ? places : [{ name: "the bench", length, width }],
    measures: (template?.measures ?? [us ? "yieldFt2" : "yieldM2"]).map((kindId) => ({
      kindId,
      outOf: kindId === "up" || kindId === "incidence" || kindId === "fruitSet" || kindId === "stayed" ? 24 : null,
      dates: "last",
      lowerIsBetter: false,
    })),
    noControlWhy: "",
    noWaterWhy: "",
    blind: true,
    version: null,
  };
}

/** A protocol's plan on one's own ground: what it says stands in it, crop, season and places are one's own. */
export function joined(plan: Plan, beds: Schemas["BedView"][], us = false): Plan {
  const own = begin({ kind: plan.kind ?? "beds", question: plan.question ?? "" }, beds, us);
  const { crop, season, places, money, noise } = own;
  return { ...plan, crop, season, places, money, noise };
}

/** A plan that the reckoning thinks of: what it says stands in it, ground and noise are one's own. */
export function reckoned(plan: Plan, beds: Schemas["BedView"][], us = false): Plan {
  const first = (plan.crop ?? "").toLowerCase().split(/[ ,]/)[0]!;
  const fit = beds.filter((b) => first.length > 2 && b.crop.toLowerCase().startsWith(first));
  const own = begin({ kind: plan.kind ?? "beds", replicates: plan.replicates ?? 5 }, fit.length > 0 ? fit : beds, us);
  const money = plan.money ? { ...own.money, ...plan.money } : own.money;
  return { ...plan, places: own.places, noise: own.noise, money };
}

/** A trial as it was kept, to be changed. */
export function again(t: Schemas["TrialView"], kinds: Schemas["MeasureKind"][]): Plan {
  const basis = { "m²": "perM2", plot: "perPlot", hectare: "perHa", "sq ft": "perFt2", acre: "perAcre" };
  return {
    version: t.version,
    templateId: t.templateId,
    question: t.question,
    crop: t.crop,
    season: t.season,
    displaces: t.displaces,
    design: t.design,
    kind: t.kind,
    liquid: t.liquid,
    factors: [...t.factors],
    treatments: t.treatments.map((x) => {
      const [, rate = "", on = "m²"] = /^(.*) an? (m²|plot|hectare|sq ft|acre)/.exec(x.rate ?? "") ?? [];
      return {
        name: x.name,
        levels: [...x.levels],
        role: x.role,
        inputId: x.inputId,
        rate,
        rateBasis: basis[on as "m²"],
        water: x.water ?? "",
      };
    }),
    replicates: t.replicates,
    noise: t.noiseSays === "as you stated" ? String(t.noise) : "",
    worthHaving: t.worthHaving === null ? "" : String(t.worthHaving),
    money: t.money ?? { costPerHa: null, costPerAcre: null, pricePerUnit: null, basis: "perM2", plotM2: null },
    places: t.places.map((p) => ({ name: p.name, length: p.lengthShown, width: p.widthShown })),
    measures: t.measures.map((m) => ({
      kindId: kinds.find((k) => k.name === m.name && k.unit === m.unit)?.id ?? null,
      name: m.name,
      unit: m.unit,
      kind: m.kind,
      low: m.low,
      high: m.high,
      lowerIsBetter: m.lowerIsBetter,
      outOf: m.outOf,
      dates: m.dates,
    })),
    noControlWhy: t.noControlWhy,
    noWaterWhy: t.noWaterWhy,
    blind: t.blind,
  };
}
