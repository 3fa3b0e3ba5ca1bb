import type { FullResult, Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** Prints `N passed, N failed` for the test command. A run that broke without a failed test counts as one. */
export default class ClosingLine implements Reporter {
  private readonly outcomes = new Map<string, boolean>();

  onTestEnd(test: TestCase, result: TestResult): void {
    if (result.status !== 'skipped') this.outcomes.set(test.id, result.status === test.expectedStatus);
  }

  onEnd(result: FullResult): void {
    const passed = [...this.outcomes.values()].filter(Boolean).length;
    const failed = this.outcomes.size - passed;
    process.stdout.write(`\n${passed} passed, ${result.status !== 'passed' && failed === 0 ? 1 : failed} failed\n`);
  }

  printsToStdio(): boolean {
    return false;
  }
}
