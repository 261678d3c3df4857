import type { Question } from '../quickline/questions/question.js';
import type { Answered } from './answer.js';
import { answerCost, answerLeft } from './habits.js';
import type { Known } from './known.js';
import { answerEnough, answerLasts } from './lasting.js';
import { answerDrink, answerLevel } from './levels.js';
import { answerLast, answerNext, answerUsed } from './past.js';

export type { Act, Answer, Answered } from './answer.js';
export type { Known } from './known.js';

/** Answers a question of the quick line, with the figures that the views show. */
export function answerQuestion(question: Question, known: Known): Answered {
	switch (question.kind) {
		case 'level':
			return answerLevel(question, known);
		case 'lasts':
			return answerLasts(question, known);
		case 'enough':
			return answerEnough(question, known);
		case 'left':
			return answerLeft(question, known);
		case 'cost':
			return answerCost(question, known);
		case 'used':
			return answerUsed(question, known);
		case 'last':
			return answerLast(question, known);
		case 'next':
			return answerNext(question, known);
		case 'drink':
			return answerDrink(question, known);
	}
}
