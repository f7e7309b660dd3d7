/**
 * A wander is seen over less than a second of a strike and goes on: this share of its variance has the differences between
 * two moments of recorded strikes within the errors as often as these claim.
 */
const WANDERS = 3;

/**
 * One partial over the frames of a strike. Its figure comes from the frames that count; its error also from how far it
 * wanders over all of them, more than their own errors explain: strings beat and settle, and another moment would have
 * given another figure.
 */
export class PartialSums {
	count = 0;
	magnitude = 0;
	private weight = 0;
	private sum = 0;
	private all = { count: 0, weight: 0, sum: 0, squares: 0, reference: 0 };

	add(frequency: number, error: number, magnitude: number, counts: boolean): void {
		const weight = 1 / (error * error);
		const { all } = this;
		if (all.count === 0) all.reference = frequency;
		const off = frequency - all.reference;
		all.count++;
		all.weight += weight;
		all.sum += weight * off;
		all.squares += weight * off * off;
		if (!counts) return;
		this.count++;
		this.weight += weight;
		this.sum += weight * frequency;
		this.magnitude = Math.max(this.magnitude, magnitude);
	}

	get frequency(): number {
		return this.sum / this.weight;
	}

	get error(): number {
		const { count, weight, sum, squares } = this.all;
		const misfit = squares - (sum * sum) / weight;
		const wander = count > 1 ? Math.max(0, (misfit - (count - 1)) / weight) : 0;
		return Math.sqrt(1 / this.weight + WANDERS * wander);
	}
}
