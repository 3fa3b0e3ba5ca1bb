import { Injectable } from '@angular/core';
import { Subject } from 'rxjs';

/** What a device measured. */
export type Reading = { readonly device: 'scale'; readonly kg: number } | { readonly device: 'caliper'; readonly mm: number };

/** Where readings arrive, from whatever sends them: today the simulated devices, a real driver the same way. */
@Injectable({ providedIn: 'root' })
export class DevicesService {
  private readonly arrived = new Subject<Reading>();
  readonly readings$ = this.arrived.asObservable();

  receive(reading: Reading): void {
    this.arrived.next(reading);
  }
}
