import type { QuestionFile } from '../../question';

/** Every question of this room, by the name of its file. */
export default import.meta.glob<QuestionFile>(['./*.ts', '!./index.ts', '!./*.test.ts'], { eager: true });
