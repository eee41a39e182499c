import { type RefObject, useState } from "react";
import { Button } from "./Button";

const kept = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "opacity",
  "font-size",
  "font-weight",
  "font-family",
  "text-anchor",
] as const;

/** The reading face as a data address, so that a saved chart looks as it does here. */
async function face() {
  for (const sheet of document.styleSheets) {
    for (const rule of sheet.cssRules) {
      if (!(rule instanceof CSSFontFaceRule) || !rule.cssText.includes("Atkinson")) continue;
      const url = /url\("?([^")]+-latin-wght[^")]+)"?\)/.exec(rule.cssText)?.[1];
      if (!url) continue;
      const blob = await (await fetch(new URL(url, sheet.href ?? location.href))).blob();
      const data = await new Promise<string>((done) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result as string);
        reader.readAsDataURL(blob);
      });
      return `@font-face{font-family:"Atkinson Hyperlegible Next Variable";font-weight:200 800;src:url(${data}) format("woff2")}`;
    }
  }
  return "";
}

/** The drawing with everything that the theme gives it written out. */
async function written(svg: SVGSVGElement) {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [from, to] = [svg.querySelectorAll("*"), copy.querySelectorAll("*")];
  from.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const name of kept) to[i]!.setAttribute(name, style.getPropertyValue(name));
    to[i]!.removeAttribute("class");
  });
  const { width, height } = svg.viewBox.baseVal;
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  copy.removeAttribute("class");
  const style = document.createElementNS("http://www.w3.org/2000/svg", "style");
  style.textContent = await face();
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", getComputedStyle(document.documentElement).backgroundColor);
  copy.prepend(style, ground);
  return { text: new XMLSerializer().serializeToString(copy), width, height };
}

function give(href: string, name: string) {
  const link = document.createElement("a");
  link.href = href;
  link.download = name;
  link.click();
}

/** Saves a chart as it is drawn, as SVG or as PNG at three times its size. */
export function SaveChart({ svg, name }: { svg: RefObject<SVGSVGElement | null>; name: string }) {
  const [failed, setFailed] = useState(false);
  const save = async (kind: "svg" | "png") => {
    setFailed(false);
    if (!svg.current) return;
    const drawing = await written(svg.current);
    const href = "data:image/svg+xml;charset=utf-8," + encodeURIComponent(drawing.text);
    if (kind === "svg") return give(href, `${name}.svg`);
    const image = new Image();
    image.src = href;
    await image.decode();
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [drawing.width * 3, drawing.height * 3];
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    give(canvas.toDataURL("image/png"), `${name}.png`);
  };
  return (
    <p className="no-print flex flex-wrap gap-4">
      <Button kind="plain" onClick={() => void save("svg").catch(() => setFailed(true))}>
        chart as SVG
      </Button>
      <Button kind="plain" onClick={() => void save("png").catch(() => setFailed(true))}>
        chart as PNG
      </Button>
      {failed && <span role="alert">✕ The chart could not be saved; try the other form.</span>}
    </p>
  );
}
