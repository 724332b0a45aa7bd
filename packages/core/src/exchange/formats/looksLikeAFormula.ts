/** Text that a spreadsheet might run as a formula. Only text is looked at: numbers stay numbers. */
export const LOOKS_LIKE_A_FORMULA = /^[\s\u00a0]*[=+\-@＝＋－＠]|^[\t\r\n]/;
