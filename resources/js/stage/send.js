// Edits that the tools of the stage make.
export { askNow, sendBriefly, sendEdit } from '../bench/edits.js';
