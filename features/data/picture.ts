import { saveFile } from './files';

const SVG_TYPE = 'image/svg+xml';
/** What of a drawing comes from the page's colours and must be written into a picture of its own. */
const PAINT = ['fill', 'stroke'] as const;

/** What it reads is read as on paper: a picture of its own is light, whatever the page is. */
function inLight<T>(read: () => T): T {
  const { classList } = document.documentElement;
  const wasDark = classList.contains('dark');
  classList.remove('dark');
  try {
    return read();
  } finally {
    classList.toggle('dark', wasDark);
  }
}

/** A drawing of the page as a picture that stands by itself, its colours written out. */
export const standaloneSvg = (svg: SVGSVGElement): string => inLight(() => written(svg));

function written(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [from, to] = [
    [svg, ...svg.querySelectorAll('*')],
    [copy, ...copy.querySelectorAll('*')],
  ];
  from.forEach((one, i) => {
    const style = getComputedStyle(one);
    for (const name of PAINT)
      if (one.hasAttribute(name) && one.getAttribute(name) !== 'none')
        to[i]?.setAttribute(name, style.getPropertyValue(name));
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  const [, , width, height] = (svg.getAttribute('viewBox') ?? '0 0 340 170').split(' ');
  copy.setAttribute('width', width ?? '340');
  copy.setAttribute('height', height ?? '170');
  return new XMLSerializer().serializeToString(copy);
}

const svgIn = (id: string) => document.getElementById(id)?.querySelector('svg') ?? null;

/** The drawing of a part of the page as an SVG file. */
export function saveSvg(id: string, name: string): void {
  const svg = svgIn(id);
  if (svg) saveFile(`${name}.svg`, [standaloneSvg(svg)], SVG_TYPE);
}

const PNG_SCALE = 3;
/** The same as a PNG, three times as large. */
export async function savePng(id: string, name: string): Promise<void> {
  const svg = svgIn(id);
  if (!svg) return;
  const text = standaloneSvg(svg);
  const image = new Image();
  image.src = `data:${SVG_TYPE};charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [image.width * PNG_SCALE, image.height * PNG_SCALE];
  const pen = canvas.getContext('2d');
  if (!pen) return;
  pen.fillStyle = 'white';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob) saveFile(`${name}.png`, [blob], 'image/png');
}
