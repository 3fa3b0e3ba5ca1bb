import type { DeviceLink } from './device-link';
import { type Reading, readLine } from './reading';

/** A device that stands in for a real one: it sends lines of text as a real one does over a cable. */
export class SimulatedLink implements DeviceLink {
  readonly name = 'simulated';
  private read: ((reading: Reading) => void) | undefined;

  listen(read: (reading: Reading) => void): void {
    this.read = read;
  }
  close(): Promise<void> {
    this.read = undefined;
    return Promise.resolve();
  }
  send(line: string): void {
    const reading = readLine(line);
    if (reading) this.read?.(reading);
  }
}
