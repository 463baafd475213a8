/** A drawing of the page as a file of its own. */
const NAMESPACE = "http://www.w3.org/2000/svg";
/** What the page's sheets say of a drawing's parts. */
const SHOWN = [
  ...["fill", "stroke", "stroke-width", "stroke-dasharray", "stroke-linecap", "opacity", "color"],
  ...["font-family", "font-size", "font-weight", "text-anchor", "visibility"],
];

const isText = (part: Element): part is SVGTextElement => "getComputedTextLength" in part;

/** The drawing with what the sheets say of it written into it, on its own ground; it needs nothing of the page. */
export function svgText(drawing: SVGSVGElement, title: string): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const parts = [drawing, ...drawing.querySelectorAll("*")];
  [copy, ...copy.querySelectorAll("*")].forEach((part, place) => {
    const original = parts[place];
    if (original === undefined) return;
    const style = getComputedStyle(original);
    const said = SHOWN.flatMap((name) => {
      const value = style.getPropertyValue(name);
      return value === "" ? [] : [`${name}:${value}`];
    });
    // Whoever opens it may lack the typeface: what stands there instead is as wide, and no cord runs through it.
    if (isText(original)) {
      part.setAttribute("textLength", original.getComputedTextLength().toFixed(1));
      part.setAttribute("lengthAdjust", "spacingAndGlyphs");
    }
    part.removeAttribute("class");
    part.setAttribute("style", said.join(";"));
  });
  copy.removeAttribute("aria-hidden");
  const name = document.createElementNS(NAMESPACE, "title");
  name.textContent = title;
  const ground = document.createElementNS(NAMESPACE, "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", getComputedStyle(document.body).backgroundColor);
  copy.prepend(name, ground);
  return new XMLSerializer().serializeToString(copy);
}
