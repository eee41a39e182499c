import { useState } from "react";
import { Link } from "react-router-dom";
import type { Schemas } from "../../api/client";
import { useRead, useWrite } from "../../api/data";
import { Form } from "../../parts/Form";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Field } from "../../parts/Field";
import { Room } from "../../parts/Room";
import { Wrong, WrongElse, WrongHere } from "../../parts/Wrong";

const making: Record<string, string> = { tea: "fed tea", extract: "dunked", bubbled: "bubbled", steep: "steeped" };

/** Recipes: the grower's own in versions, and places to start. Written and read as one open file. */
export function RecipeRoom() {
  const list = useRead("/api/brew/recipes");
  const [open, setOpen] = useState<string | null>(null);
  const chosen = list.find((r) => r.ref === open) ?? list[0];
  const row = (r: Schemas["RecipeLine"]) => (
    <li key={r.ref} className="border-t border-line">
      <button
        type="button"
        aria-pressed={chosen?.ref === r.ref}
        className={`block min-h-12 w-full py-2 text-left text-lg ${chosen?.ref === r.ref ? "font-bold text-clay" : ""}`}
        onClick={() => setOpen(r.ref)}
      >
        {chosen?.ref === r.ref ? "● " : "○ "}
        {r.name}
        <span className="font-normal text-ash">
          {" "}
          · {making[r.file.making ?? ""]}
          {!r.starting && `, version ${r.version}, ${r.brews} ${r.brews === 1 ? "brew" : "brews"}`}
        </span>
      </button>
    </li>
  );
  return (
    <Room
      title="Recipes"
      under="Kept in versions, scaled to any vessel. The starting set is places to start, not findings."
      peek={chosen?.name}
      bench={
        <>
          <h2 className="text-xl">Your own</h2>
          <ul>{list.filter((r) => !r.starting).map(row)}</ul>
          {list.every((r) => r.starting) && <p>None yet: change one of those below, or keep one from a plan.</p>}
          <Bring />
          <h2 className="mt-6 text-xl">Places to start</h2>
          <ul className="sm:columns-2">{list.filter((r) => r.starting).map(row)}</ul>
        </>
      }
      slate={chosen ? <OneRecipe key={chosen.ref} recipe={chosen} /> : null}
    />
  );
}

function OneRecipe({ recipe }: { recipe: Schemas["RecipeLine"] }) {
  const f = recipe.file;
  const [edit, setEdit] = useState(false);
  return (
    <>
      <h2 className="text-2xl">{recipe.name}</h2>
      <p>
        For {f.purpose === "leaf" ? "leaves" : "roots"}, {f.bias}, {making[f.making ?? ""]}, written for{" "}
        {recipe.forShown}
        in a {f.vessel}.
      </p>
      <ul className="figures">
        {recipe.parts.map((x, i) => (
          <li key={i} className="flex justify-between border-t border-line py-1.5">
            <b>{x.name}</b>{" "}
            <span>
              {x.shown}
              {x.atH ? ` at ${x.atH} h` : ""}
            </span>
          </li>
        ))}
      </ul>
      {f.note && <p className="text-ash">{f.note}</p>}
      <p className="flex flex-wrap gap-4">
        <Link
          to={`/brew/plan?recipe=${encodeURIComponent(recipe.ref)}&purpose=${f.purpose}`}
          className="inline-flex min-h-12 items-center rounded-full bg-clay px-6 font-bold text-paper"
        >
          Plan a brew of it
        </Link>
        <Button onClick={() => setEdit(!edit)}>{recipe.starting ? "Make it mine" : "Change it"}</Button>
        <a
          className="inline-flex min-h-12 items-center text-clay underline underline-offset-4"
          href={`/api/brew/recipes/${encodeURIComponent(recipe.ref)}/file`}
        >
          as a file
        </a>
      </p>
      {recipe.versions.length > 1 && (
        <p className="text-ash">
          Older versions:{" "}
          {recipe.versions.slice(1).map((v, i) => (
            <a key={v} className="mr-3 underline" href={`/api/brew/recipes/v:${v}/file`}>
              {recipe.versions.length - 1 - i}
            </a>
          ))}
        </p>
      )}
      {edit && <Edit recipe={recipe} done={() => setEdit(false)} />}
    </>
  );
}

const kinds = ["molasses", "fishHydrolysate", "kelpLiquid", "kelpPowder", "humicLiquid", "oatFlour", "sugarSyrup"];
const foodNames: Record<string, string> = {
  molasses: "molasses",
  fishHydrolysate: "fish hydrolysate",
  kelpLiquid: "liquid kelp",
  kelpPowder: "soluble kelp powder",
  humicLiquid: "liquid humic",
  oatFlour: "oat flour",
  sugarSyrup: "sugar syrup",
};

/** A new version, or a new recipe; each food may go in at an hour, and more than once. */
function Edit({ recipe, done }: { recipe: Schemas["RecipeLine"]; done: () => void }) {
  const [file, setFile] = useState(recipe.file);
  const sources = recipe.file.sources?.length ?? 0;
  const [typed, setTyped] = useState(
    (recipe.file.foods ?? []).map((f, i) => ({
      kind: f.kind ?? "molasses",
      amount: recipe.parts[sources + i]?.shown ?? "",
      atH: String(f.atH ?? 0),
    })),
  );
  const [source, setSource] = useState(recipe.parts[0]?.shown ?? "");
  const keep = useWrite("/api/brew/recipes", (body: Schemas["RecipeRequest"]) => ({ body }), done);
  return (
    <Form
      problem={keep.error}
      className="flex flex-col gap-2 border-t-2 border-ink pt-3"
      onSend={() =>
        keep.mutate({
          recipeId: recipe.recipeId,
          file,
          source: sources > 0 ? source : null,
          foods: typed,
        })
      }
    >
      <Field label="Name" value={file.name ?? ""} onChange={(name) => setFile({ ...file, name })} name="name" />
      <Field
        label={`How much ${recipe.parts[0]?.name ?? "source"}`}
        value={source}
        onChange={setSource}
        name="source"
      />
      {typed.map((f, i) => (
        <div key={i} className="grid grid-cols-[1fr_7rem_5rem_auto] items-start gap-2">
          <Pick
            label={`Food ${i + 1}`}
            value={f.kind}
            options={kinds.map((k) => ({ value: k, name: foodNames[k] ?? k }))}
            onChange={(v) => setTyped(typed.map((x, k) => (k === i ? { ...x, kind: v } : x)))}
          />
          <Field
            label="how much"
            value={f.amount}
            onChange={(v) => setTyped(typed.map((x, k) => (k === i ? { ...x, amount: v } : x)))}
            name={`foods[${i}].amount`}
          />
          <Field
            label="at h"
            inputMode="decimal"
            value={f.atH}
            onChange={(v) => setTyped(typed.map((x, k) => (k === i ? { ...x, atH: v } : x)))}
          />
          <Button
            kind="plain"
            className="mt-6"
            aria-label={`Leave out food ${i + 1}`}
            onClick={() => setTyped(typed.filter((_, k) => k !== i))}
          >
            out
          </Button>
        </div>
      ))}
      <Button
        kind="plain"
        className="self-start"
        onClick={() => setTyped([...typed, { kind: "fishHydrolysate", amount: "", atH: "0" }])}
      >
        + a food, or a part of one at another hour
      </Button>
      <Field label="Note" value={file.note ?? ""} onChange={(note) => setFile({ ...file, note })} />
      <WrongHere name="sources" />
      <WrongElse />
      <p className="flex gap-4">
        <Button type="submit" kind="filled" disabled={keep.isPending}>
          {recipe.starting ? "Keep it as mine" : `Keep as version ${recipe.version + 1}`}
        </Button>
        <Button onClick={done}>Leave it</Button>
      </p>
    </Form>
  );
}

/** A recipe file from elsewhere. */
function Bring() {
  const bring = useWrite("/api/brew/recipes/bring", (json: string) => ({ body: { json } }));
  return (
    <div className="mt-2">
      <label className="flex min-h-12 cursor-pointer items-center text-clay underline underline-offset-4">
        bring a recipe file
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void file.text().then((json) => bring.mutate(json));
            e.target.value = "";
          }}
        />
      </label>
      <Wrong problem={bring.error} />
      {bring.isSuccess && (
        <p role="status" className="text-moss">
          ✓ Kept
        </p>
      )}
    </div>
  );
}
