import { expose } from 'comlink';
import { draw } from './drawer';

expose({ draw });
