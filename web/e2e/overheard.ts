import type { Page } from '@playwright/test';

/*
 * What is given to the loudspeaker, sound by sound: an ear that hears nothing else. It is to be put up before the page is opened.
 */

/** Samples that are kept of each sound: more than a second. */
const KEPT = 60_000;

export const overhear = (page: Page) =>
	page.addInitScript((kept) => {
		const heard: Float32Array[] = [];
		Object.assign(window, { heard });
		const copy = AudioBuffer.prototype.copyToChannel;
		AudioBuffer.prototype.copyToChannel = function (samples, ...where) {
			heard.push(samples.slice(0, kept) as Float32Array);
			Object.assign(window, { heardRate: this.sampleRate });
			copy.call(this, samples, ...where);
		};
	}, KEPT);

/** How many sounds there have been. */
export const countHeard = (page: Page) => page.evaluate(() => (window as unknown as { heard: unknown[] }).heard.length);

/**
 * Frequencies in the newest sounds, each near what is given for it: by how far the phase turns between two parts of the sound, first
 * roughly, then finely.
 */
export const frequencies = (page: Page, abouts: readonly number[]) =>
	page.evaluate((abouts) => {
		const { heard, heardRate: sampleRate } = window as unknown as { heard: Float32Array[]; heardRate: number };
		const phase = (sound: Float32Array, about: number, start: number, length: number) => {
			let [re, im] = [0, 0];
			for (let i = 0; i < length; i++) {
				const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / length);
				const angle = (2 * Math.PI * about * (start + i)) / sampleRate;
				re += window * sound[start + i] * Math.cos(angle);
				im -= window * sound[start + i] * Math.sin(angle);
			}
			return Math.atan2(im, re);
		};
		const near = (sound: Float32Array, about: number, { apart, seconds }: { apart: number; seconds: number }) => {
			const length = Math.round(seconds * sampleRate);
			const start = Math.round(0.1 * sampleRate);
			const step = Math.round(apart * sampleRate);
			const turned = phase(sound, about, start + step, length) - phase(sound, about, start, length);
			return about + (Math.atan2(Math.sin(turned), Math.cos(turned)) / (2 * Math.PI * step)) * sampleRate;
		};
		// A short part hears what lies far off, a long one what lies near.
		const stages = [
			{ apart: 0.012, seconds: 0.06 },
			{ apart: 0.08, seconds: 0.2 },
			{ apart: 0.7, seconds: 0.4 }
		];
		return abouts.map((about, i) => {
			const sound = heard[heard.length - abouts.length + i];
			return stages.reduce((found, stage) => near(sound, found, stage), about);
		});
	}, abouts);
