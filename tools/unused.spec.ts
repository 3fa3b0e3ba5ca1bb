import { unusedExports } from './testing/unused.js';

/**
 * Rules that are ready and tested, and stand on no screen yet, with the screen that they wait for. The list only shrinks: what has
 * found its place is taken off it, and nothing is put on it that no screen is planned for.
 */
const AHEAD: Readonly<Record<string, string>> = {
  adviseBaths: 'hand-back: how often it may be bathed',
  celsiusAfter: 'blade drawer: how warm a blade is after its turns',
  cem43OfRamp: 'look back: after an incident with heat',
  chanceOfQuiet: 'plan: the chance that a piece stays without a sign',
  doseOfZone: 'look back: after an incident with heat',
  firstWatch: 'dog file: time to the first watch, free of a model',
  goodSigns: 'table: which good sign makes silence mean something',
  growthPercentPerDay: 'dog file: how fast a mark grows',
  minutesToReach: 'table: minutes until the next band',
  passesUntilCheck: 'table: passes over one place until a hand feels for heat',
  poissonInterval: 'look back: incidents per 1,000 minutes',
  protectionAfter: 'table: a wag unlocks nothing',
  rebuildProjections: 'the command that makes projections anew from events',
  spellsSeenIn: 'dog file: time to the first watch, free of a model',
  survivalAt: 'dog file: time to the first watch, free of a model',
  takeTurns: 'blade drawer: two blades in turns',
  termOf: 'the words of the trade, looked up',
  weeksForLength: 'agreement: when a length wants the next visit',
  wilsonInterval: 'look back: shares of few visits',
};

describe('exports that nothing in the product uses', () => {
  it('are rules that wait for a screen, and named', () => {
    const unused = unusedExports();
    expect(unused.filter(({ name }) => !Object.hasOwn(AHEAD, name))).toEqual([]);
    expect(Object.keys(AHEAD).filter((name) => !unused.some((u) => u.name === name))).toEqual([]);
  });
});
