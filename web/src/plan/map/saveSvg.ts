/** A drawing as a file of its own: colours as they are now, and a font that is everywhere. */
export function svgFile(drawing: SVGSVGElement, colours: CSSStyleDeclaration): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawing.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', `${width}`);
  copy.setAttribute('height', `${height}`);
  copy.setAttribute('font-family', 'sans-serif');
  for (const one of [copy, ...copy.querySelectorAll('*')])
    for (const name of ['role', 'tabindex', 'style', 'data-key', 'aria-pressed', 'aria-label'])
      one.removeAttribute(name);
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => colours.getPropertyValue(name).trim());
}

/** Gives a text to whoever asked for it, as a file. */
export function download(text: string, name: string, type: string) {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
