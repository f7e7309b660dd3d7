/** A bare beat at an exact rate: two pure tones, one above the other, with nothing else to listen to. */
export class BeatTone {
	playing = $state(false);
	problem = $state<string | undefined>();
	/** The audio clock at which the two tones were last in step, for the picture to go along. */
	startedAt = 0;
	private context: AudioContext | undefined;
	private tones: { low: OscillatorNode; high: OscillatorNode; gain: GainNode } | undefined;

	/** Seconds since the tones were in step, by the clock that the loudspeaker runs on. */
	get elapsed(): number {
		return this.context ? this.context.currentTime - this.startedAt : 0;
	}

	/** @param pitch where the beat is heard, Hz @param rate beats per second, not signed */
	async start(pitch: number, rate: number): Promise<void> {
		this.stop();
		this.problem = undefined;
		try {
			const context = (this.context ??= new AudioContext());
			await context.resume();
			const gain = new GainNode(context, { gain: 0 });
			gain.connect(context.destination);
			const tone = (frequency: number) => new OscillatorNode(context, { frequency });
			const [low, high] = [tone(pitch - rate / 2), tone(pitch + rate / 2)];
			for (const each of [low, high]) each.connect(gain);
			const at = context.currentTime + 0.02;
			low.start(at);
			high.start(at);
			gain.gain.setTargetAtTime(0.18, at, 0.02);
			this.startedAt = at;
			this.tones = { low, high, gain };
			this.playing = true;
		} catch (error) {
			this.problem = `This browser plays no sound here: ${(error as Error).message}`;
		}
	}

	stop(): void {
		if (!this.tones || !this.context) return;
		const { low, high, gain } = this.tones;
		const now = this.context.currentTime;
		gain.gain.cancelScheduledValues(now);
		gain.gain.setTargetAtTime(0, now, 0.015);
		for (const each of [low, high]) each.stop(now + 0.1);
		this.tones = undefined;
		this.playing = false;
	}

	close(): void {
		this.stop();
		void this.context?.close();
	}
}
