import { expose } from 'comlink';
import { readOpenFile } from './openFile';

expose({ readOpenFile });
