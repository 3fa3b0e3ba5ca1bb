import type { Linter } from 'eslint';

export const SCREENS_NOT_YET_MARKED: readonly string[];
export const NOT_YET_MARKED: string[];
export const MARKS_ONLY: Linter.Config[];
