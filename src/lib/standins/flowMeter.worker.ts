import { BEAT_MS, readingAfter, type FlowSpec } from './simulatedFlow';

// The same simulated meter as the server's stand-in, for when there is no server.
self.onmessage = ({ data }: MessageEvent<{ spec: FlowSpec; elapsedMs: number }>) => {
	const beganMs = Date.now() - data.elapsedMs;
	setInterval(() => self.postMessage(readingAfter(data.spec, Date.now() - beganMs)), BEAT_MS);
};
