import { SoundFailure, type SoundFault } from './faults';
import { openCapture } from './capture';
import { keepSource, lastSource, type SoundSource } from './lastSource';
import { LevelWatch } from './levelWatch.svelte';
import { inSight } from './lifetime';
import { openMicrophone } from './microphone';
import { cardClock, pacedClock } from './soundClock';
import { stayAwake } from './stayAwake';

/** Sound that has been opened; its lifetime closes it. */
export interface OpenSound {
	readonly lifetime: AbortSignal;
	readonly context: BaseAudioContext;
	readonly input: AudioWorkletNode;
	readonly sampleRate: number;
	/** Undefined for what is simulated. */
	readonly microphone: { readonly device: string } | undefined;
}

/** The sound card's count of samples now. */
export const samplesNow = ({ context, sampleRate }: OpenSound): number => Math.round(context.currentTime * sampleRate);

/** Whoever listens to what comes in. */
export interface Ears {
	readonly sampleRate: number;
	readonly samples: MessagePort;
	/** The sound waits for nobody. */
	readonly live: boolean;
	readonly lifetime: AbortSignal;
}

/** Where sound comes from: chosen, opened, watched, closed. What is heard of it is for those who extend it. */
export abstract class SoundInput {
	state = $state<'off' | 'opening' | 'on'>('off');
	source = $state<SoundSource>('simulated');
	device = $state<string | undefined>();
	readonly levels = new LevelWatch();
	private failure = $state<SoundFault | undefined>();
	/** What stands in the way. */
	readonly fault: SoundFault | undefined = $derived(
		this.failure ?? (this.source === 'microphone' && this.levels.dead ? 'silent' : undefined)
	);
	private lifetime: AbortController | undefined;

	/** Ears are put up before any sound runs. */
	protected abstract openEars(ears: Ears): void;
	/** The sound runs, or what stands in for it does. */
	protected abstract opened(sound: OpenSound): void;
	protected abstract closed(): void;

	/** Takes the source that this device used last. */
	recall(): void {
		({ source: this.source, device: this.device } = lastSource());
	}

	/** Chooses the source; when it was on, it goes on with the new one. */
	async choose(source: SoundSource, device?: string): Promise<void> {
		const wasOn = this.state !== 'off';
		this.stop();
		this.source = source;
		this.device = device;
		keepSource(source, device);
		if (wasOn) await this.start();
	}

	async start(): Promise<void> {
		if (this.state !== 'off') return;
		const lifetime = (this.lifetime = new AbortController());
		this.state = 'opening';
		this.failure = undefined;
		try {
			const sound = await this.openSound(lifetime.signal);
			lifetime.signal.throwIfAborted();
			stayAwake(lifetime.signal);
			this.opened(sound);
			this.state = 'on';
		} catch (error) {
			// Stopped meanwhile: whatever had been opened by then has been closed.
			if (lifetime.signal.aborted) return;
			const known = error instanceof SoundFailure;
			this.stop(known ? error.fault : 'no sound');
			if (!known) throw error;
		}
	}

	private async openSound(lifetime: AbortSignal): Promise<OpenSound> {
		const isSimulated = this.source === 'simulated';
		const isPaced = isSimulated && globalThis.fendrelPace !== undefined;
		const onHalt = () => void this.wake();
		const clock = isPaced ? pacedClock(lifetime, onHalt) : cardClock(lifetime, onHalt);
		const { context } = clock;
		const { sampleRate } = context;
		const { input, samples } = await openCapture(context, lifetime);
		lifetime.throwIfAborted();
		this.openEars({ sampleRate, samples, live: !isPaced, lifetime });
		await clock.begin();
		lifetime.throwIfAborted();
		const sound = { lifetime, context, input, sampleRate };
		if (isSimulated) return { ...sound, microphone: undefined };
		const onLost = () => this.stop('lost');
		const device = await openMicrophone(context as AudioContext, input, this.device, lifetime, onLost);
		return { ...sound, microphone: { device: device ?? '' } };
	}

	stop(failure?: SoundFault): void {
		this.lifetime?.abort();
		this.lifetime = undefined;
		this.levels.reset();
		this.closed();
		this.state = 'off';
		this.failure = failure;
	}

	/** The sound stood still: it begins anew once somebody looks, and says so until something is heard. */
	private async wake(): Promise<void> {
		this.stop('slept');
		await inSight();
		// Whoever pressed Listen or left meanwhile decides.
		if (this.state !== 'off' || this.failure !== 'slept') return;
		await this.start();
		if (this.state !== 'off' && !this.failure) this.failure = 'slept';
	}

	/** Something was heard: that the sound had stood still needs no saying any more. */
	protected awake(): void {
		if (this.failure === 'slept') this.failure = undefined;
	}
}
