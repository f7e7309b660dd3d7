/** What a picture needs of its page's style when it stands alone. */
const STYLES = [
	...[
		'fill',
		'fill-opacity',
		'stroke',
		'stroke-width',
		'stroke-dasharray',
		'stroke-linecap',
		'stroke-linejoin',
		'opacity'
	],
	...['font-family', 'font-size', 'font-weight', 'text-anchor', 'dominant-baseline', 'visibility', 'display']
] as const;
/** Around the picture, in pixels. */
const MARGIN = 12;
/** Of a picture in pixels: twice as fine as on the screen. */
const SCALE = 2;

/** A picture of the page as a file of its own: its colours as they are now, its words as its title. */
export function asSvg(drawing: SVGSVGElement): string {
	const { width, height } = drawing.getBoundingClientRect();
	const copy = drawing.cloneNode(true) as SVGSVGElement;
	const from = [drawing, ...drawing.querySelectorAll('*')];
	const to = [copy, ...copy.querySelectorAll('*')];
	for (const [i, element] of from.entries()) {
		const style = getComputedStyle(element);
		for (const name of STYLES) to[i].setAttribute(name, style.getPropertyValue(name));
		to[i].removeAttribute('class');
		to[i].removeAttribute('style');
	}
	const title = document.createElementNS('http://www.w3.org/2000/svg', 'title');
	title.textContent = drawing.getAttribute('aria-label');
	const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
	const [wide, high] = [width + 2 * MARGIN, height + 2 * MARGIN];
	for (const [name, value] of Object.entries({ x: -MARGIN, y: -MARGIN, width: wide, height: high }))
		ground.setAttribute(name, String(value));
	ground.setAttribute('fill', getComputedStyle(document.body).backgroundColor);
	copy.prepend(title, ground);
	copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
	copy.setAttribute('width', String(wide));
	copy.setAttribute('height', String(high));
	copy.setAttribute('viewBox', `${-MARGIN} ${-MARGIN} ${wide} ${high}`);
	return new XMLSerializer().serializeToString(copy);
}

/** The same in pixels. */
export async function asPng(drawing: SVGSVGElement): Promise<Blob> {
	const { width, height } = drawing.getBoundingClientRect();
	const image = new Image();
	image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(asSvg(drawing))}`;
	await image.decode();
	const canvas = new OffscreenCanvas(SCALE * (width + 2 * MARGIN), SCALE * (height + 2 * MARGIN));
	canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
	return canvas.convertToBlob({ type: 'image/png' });
}

/** "How sections kept their pitch" as a file is called. */
export const pictureName = (label: string): string =>
	label
		.split(/[:.,;]/)[0]
		.normalize('NFD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase()
		.slice(0, 60) || 'picture';
