/* In place of every style sheet: unit tests draw nothing. */
export default {};
