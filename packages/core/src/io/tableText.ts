/** Text in which nothing becomes a formula either where a spreadsheet takes `;` or a tab for the end of a cell. */
export const tableText = (text: string): string => text.replace(/([;\t]\s*)(?=[=+\-@])/g, "$1'");
