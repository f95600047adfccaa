const LOOKS = [
  'fill',
  'stroke',
  'stroke-width',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order'
];

/** A drawing as a file of its own: the looks it has on the page written into it. */
export function asFile(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = [...svg.querySelectorAll('*')];
  [...copy.querySelectorAll('*')].forEach((element, i) => {
    const original = originals[i];
    if (!original) return;
    const style = getComputedStyle(original);
    for (const look of LOOKS) element.setAttribute(look, style.getPropertyValue(look));
    for (const name of ['class', 'role', 'tabindex', 'aria-pressed']) element.removeAttribute(name);
  });
  copy.removeAttribute('class');
  return new XMLSerializer().serializeToString(copy);
}
