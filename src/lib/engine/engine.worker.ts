import { expose } from 'comlink';
import { createEngine } from './createEngine';

expose(createEngine());
