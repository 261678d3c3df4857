import { expose } from 'comlink';
import { Engine } from './engine';

// The first that writes a date waits, as a rule for longer than the page takes to start: here, where nobody waits.
new Intl.DateTimeFormat('en-GB');
expose(new Engine());
