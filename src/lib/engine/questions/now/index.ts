import type { QuestionFile } from '../../question';

/** Every question of this room, by the name of its file; the first view's own is loaded with the engine. */
export default import.meta.glob<QuestionFile>(['./*.ts', '!./index.ts', '!./assess.ts'], { eager: true });
