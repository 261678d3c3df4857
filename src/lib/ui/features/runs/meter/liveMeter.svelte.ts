import type { FlowMeter } from '$lib/standins/flowMeter';

export type LiveState = 'off' | 'waiting' | 'live' | 'lost';

/** A meter that counts by itself, as a run follows it: what it showed last stays when it is lost. */
export class LiveMeter {
	state = $state<LiveState>('off');
	/** displayed units */
	shows = $state<number | undefined>();
	lpm = $state<number | undefined>();
	#stop = (): void => undefined;

	follow(meter: FlowMeter): void {
		this.stop();
		this.state = 'waiting';
		this.#stop = meter.follow(
			({ shows, lpm }) => {
				this.state = 'live';
				this.shows = shows;
				this.lpm = lpm;
			},
			() => (this.state = 'lost')
		);
	}

	stop(): void {
		this.#stop();
		this.#stop = () => undefined;
		this.state = 'off';
	}
}
