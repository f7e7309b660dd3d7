import { fixed } from './format';
import { typedNumber } from './typed';
import { writing } from './writing';

const isFahrenheit = () => writing().temperature === 'fahrenheit';
const isInch = () => writing().length === 'inch';
const MM_AN_INCH = 25.4;

export const degreeUnit = () => (isFahrenheit() ? '°F' : '°C');
const degrees = (celsius: number) => (isFahrenheit() ? 1.8 * celsius + 32 : celsius);

/** "21.5 °C", "70.7 °F". @param celsius what is stored */
export function temperatureWords(celsius: number, digits = 1): string {
	return `${temperatureFigure(celsius, digits)} ${degreeUnit()}`;
}

export const temperatureFigure = (celsius: number, digits = 1) => fixed(degrees(celsius), digits);

/** What was typed in the reader's degrees, in °C; NaN when it is no number. */
export function typedCelsius(text: string): number {
	const value = typedNumber(text);
	return isFahrenheit() ? (value - 32) / 1.8 : value;
}

export const lengthUnit = () => (isInch() ? 'in' : 'mm');

/** A length in the reader's unit; inches get more decimals. @param digits decimals of the mm */
export function lengthFigure(mm: number, digits = 1): string {
	return isInch() ? fixed(mm / MM_AN_INCH, digits + (digits > 1 ? 1 : 2)) : fixed(mm, digits);
}

/** "1.9 mm", "0.075 in". */
export function lengthWords(mm: number, digits = 1): string {
	return `${lengthFigure(mm, digits)} ${lengthUnit()}`;
}

const LENGTH = /^([\d.,+\-−]+)\s*(mm|cm|in|inch|inches|″|")?$/i;

/** A length as it was typed, in mm to a thousandth: "690", "69 cm", "27.2 in"; a bare figure is of the reader's unit. NaN when it is none. */
export function typedMm(text: string): number {
	const match = LENGTH.exec(text.trim());
	if (!match) return Number.NaN;
	const unit = match[2]?.toLowerCase() ?? lengthUnit();
	const mm = (unit === 'mm' ? 1 : unit === 'cm' ? 10 : MM_AN_INCH) * typedNumber(match[1]);
	return Number(mm.toFixed(3));
}

/** True where a length was typed with its unit. */
export const saysUnit = (text: string): boolean => LENGTH.exec(text.trim())?.[2] !== undefined;

/** A length for a field that somebody goes on typing in. */
export function typedLength(mm: number): string {
	return isInch() ? String(Number((mm / MM_AN_INCH).toFixed(4))) : String(mm);
}
