import { Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import { joinBluetooth } from './bluetooth-link';
import type { DeviceLink, Joined } from './device-link';
import type { Reading } from './reading';
import { joinSerial } from './serial-link';
import { SimulatedLink } from './simulated-link';

export type { Reading } from './reading';

/** Where readings arrive, from whatever sends them: simulated devices and real ones the same way. */
@Injectable({ providedIn: 'root' })
export class DevicesService {
  private readonly arrived = new Subject<Reading>();
  readonly readings$ = this.arrived.asObservable();
  readonly joined = signal<readonly DeviceLink[]>([]);
  readonly simulated = new SimulatedLink();

  constructor() {
    this.simulated.listen((reading) => this.arrived.next(reading));
  }

  /** The browser asks which device; @returns why none was joined, where none was. */
  async join(way: 'serial' | 'bluetooth'): Promise<Joined> {
    const joined = await (way === 'serial' ? joinSerial() : joinBluetooth());
    if (joined.ok) {
      this.joined.update((all) => [...all, joined.link]);
      joined.link.listen(
        (reading) => this.arrived.next(reading),
        () => this.forget(joined.link),
      );
    }
    return joined;
  }
  async letGo(link: DeviceLink): Promise<void> {
    this.forget(link);
    await link.close();
  }
  private forget(link: DeviceLink): void {
    this.joined.update((all) => all.filter((x) => x !== link));
  }
}
