import { browserPortApart } from '$lib/store';
import { expose } from 'comlink';
import { Listener } from './listener';
import { SampleStore } from './sampleStore';

expose(new Listener(new SampleStore(browserPortApart('samples'))));
