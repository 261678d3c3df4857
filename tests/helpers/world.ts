// The world that the files of the application's tests share: a database as a browser has it, there before the package that looks
// for one only once; and nothing of a test that is over goes on or is heard.
import 'fake-indexeddb/auto';
import { afterEach } from 'vitest';
import { endTest } from './ofTest';

afterEach(endTest);
