import { Checks } from './checks.js';
import { drillCell } from './drill-cell.js';
import { drillMove } from './drill-move.js';

/** Each once: part of the tests. `./mansuet drill cluster 10` is the long version, which holds the times too. */
const checks = new Checks();
await checks.part('a salon that moves', () => drillMove(checks, false));
await checks.part('a cell, each of its parts killed once', () => drillCell(checks, 1, false));
process.exitCode = checks.close();
