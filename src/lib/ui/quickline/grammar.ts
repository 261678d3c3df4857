/** The grammar of the line: loaded when somebody turns to it, so that the first view comes without. */
export { completions, understand } from '$core/quickline';
