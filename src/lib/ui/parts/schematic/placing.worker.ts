import { expose } from 'comlink';
import { placePlumbing } from './placePlumbing';

expose({ place: placePlumbing });
