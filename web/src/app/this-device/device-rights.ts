import { Injectable, inject } from '@angular/core';
import { NEW_GRANT } from '@mansuet/core/contract';
import { ApiService, NOTHING } from '../server/api.service';
import { deviceName } from './device-name';
import { KeyRing } from './key-ring';

/** Gets the right to send entries in a person's name from this device, and gives it back. */
@Injectable({ providedIn: 'root' })
export class DeviceRights {
  private readonly api = inject(ApiService);
  private readonly ring = inject(KeyRing);

  /** For whoever is signed in: asked for once, and again where it was taken back. Without a network the next sign-in asks. */
  async ensure(staffId: string): Promise<void> {
    await this.ring.look();
    if (this.ring.locked() || (await this.ring.secretOf(staffId)) !== undefined) return;
    const answer = await this.api.send('POST', '/grants', { device: deviceName() }, NEW_GRANT);
    if (answer.ok) await this.ring.keep(staffId, answer.value.grantId, answer.value.secret);
  }

  /** At sign-out, where nothing of this person waits here. */
  async giveBack(staffId: string): Promise<void> {
    const grantId = await this.ring.grantIdOf(staffId);
    if (grantId === undefined) return;
    await this.api.send('DELETE', `/grants/${grantId}`, undefined, NOTHING);
    await this.ring.drop(staffId);
  }
}
