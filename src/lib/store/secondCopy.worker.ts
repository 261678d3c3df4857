import { expose } from 'comlink';
import { privateFiles } from './files';
import { secondCopy } from './secondCopy';
import { browserTurns } from './turns';

expose(secondCopy(privateFiles('second-copy'), browserTurns('dipsometer-second-copy')));
