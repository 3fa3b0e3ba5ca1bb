/** The account of a visit from what the salon knows: its file, its rules, its clock and its money. */
export * from './account-of-visit.js';
