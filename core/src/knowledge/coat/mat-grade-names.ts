import type { MatGrade } from '../../words/index.js';
export const MAT_GRADE_NAMES: Readonly<Record<MatGrade, string>> = { 0: 'none', 1: 'tangles', 2: 'mats', 3: 'tight', 4: 'pelted' };
