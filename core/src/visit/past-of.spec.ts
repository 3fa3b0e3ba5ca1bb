import { emptyVisit, pastOf, summarize } from './index.js';

const visit = (visitId: string, on: string | null) => ({ visitId, summary: { ...summarize(emptyVisit(visitId)), on } });

describe('pastOf', () => {
  const visits = [visit('c', '2026-09-01'), visit('b', '2026-06-01'), visit('a', '2026-03-01'), visit('old', null)];
  const days = (on: string | undefined, visitId = 'b') => pastOf(visits, { visitId, on }).map((s) => s.on);

  it('leaves out the visit itself and what came after it', () => expect(days('2026-06-01')).toEqual(['2026-03-01', null]));
  it('takes all others for a visit that has not begun', () => expect(days(undefined, 'new')).toHaveSize(4));
  it('keeps another visit of the same day', () => expect(days('2026-06-01', 'second')).toEqual(['2026-06-01', '2026-03-01', null]));
});
