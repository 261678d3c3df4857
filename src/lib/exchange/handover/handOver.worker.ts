import { expose } from 'comlink';
import { behind, look, lookAt, noteTaken, prepare } from './handOver';

expose({ behind, look, lookAt, noteTaken, prepare });
