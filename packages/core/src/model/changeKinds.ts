/** What a change of a build was about, as its journal sorts it. */
export const changeKinds = ['log', 'shelf', 'date', 'air', 'people', 'piece', 'colour', 'plan'] as const;
export type ChangeKind = (typeof changeKinds)[number];
