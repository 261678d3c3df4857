import { expose } from 'comlink';
import { readIn } from './logbookReader';

expose({ readIn });
