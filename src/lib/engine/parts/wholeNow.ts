/** What *Now* shows beside the first look: its code is loaded when that stands. */
export { assess } from '$core/now';
