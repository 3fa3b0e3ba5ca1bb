import { DestroyRef, Injectable, InjectionToken, inject, signal } from '@angular/core';
import { type KeptGrant, type KeptRing, VISIT_DB } from '../visit-log/visit-db';

/** OWASP Password Storage Cheat Sheet for PBKDF2 with HMAC-SHA-256, 2023, from memory. A PIN is short all the same: it keeps out who picks a tablet up, not who takes it apart. */
const ROUNDS = 600_000;
const CHECK = 'mansuet';
/** Wrong PINs after which the rights are gone from this device; entries stay, and wait for their people to sign in. Our default. */
const TRIES = 6;

export type Opened = 'open' | 'wrong' | 'gone';

/** A channel on which the tabs of one device say that it was locked, or that another PIN holds; none where the browser has none. Specs give their own. */
export const RING_CHANNEL = new InjectionToken<BroadcastChannel | undefined>('ring channel', {
  providedIn: 'root',
  factory: () => (typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('mansuet.ring')),
});

/**
 * The rights of people to send entries from this device. Their secrets are encrypted: with a key that never leaves the browser or, where a PIN was
 * set for the shift, with what the PIN becomes, so that nobody gets at them before it is typed.
 */
@Injectable({ providedIn: 'root' })
export class KeyRing {
  private readonly db = inject(VISIT_DB);
  private readonly channel = inject(RING_CHANNEL);
  private key: CryptoKey | undefined;
  private readonly isLocked = signal(false);
  private readonly withPin = signal(false);
  /** A PIN was set, and not typed since. */
  readonly locked = this.isLocked.asReadonly();
  readonly hasPin = this.withPin.asReadonly();

  constructor() {
    // A tablet is put down as a whole: what one tab locks, or puts under another PIN, is so in all of them.
    this.channel?.addEventListener('message', () => {
      this.key = undefined;
      void this.look();
    });
    inject(DestroyRef).onDestroy(() => this.channel?.close());
  }

  /** Looks whether a PIN is asked for. */
  async look(): Promise<void> {
    const ring = await this.db.rings.get('ring');
    const pin = ring !== undefined && !('cryptoKey' in ring);
    this.withPin.set(pin);
    this.isLocked.set(pin && this.key === undefined);
  }

  async keep(staffId: string, grantId: string, secret: string): Promise<void> {
    const key = await this.openKey();
    if (key) await this.db.grants.put({ staffId, grantId, ...(await seal(key, secret)) });
  }

  /** The id of a person's right that is on this device, locked or not. */
  async grantIdOf(staffId: string): Promise<string | undefined> {
    return (await this.db.grants.get(staffId))?.grantId;
  }

  /** The secret of a person's right; `undefined` for one that is not here, or while the ring is locked. */
  async secretOf(staffId: string): Promise<string | undefined> {
    const [key, grant] = [await this.openKey(), await this.db.grants.get(staffId)];
    return key && grant && unseal(key, grant);
  }

  /** A right that counts no more. */
  async drop(staffId: string): Promise<void> {
    await this.db.grants.delete(staffId);
  }

  /** From now on this is asked for after every start and every lock. */
  async setPin(pin: string): Promise<void> {
    const salt = crypto.getRandomValues(new Uint8Array(16));
    const key = await keyOf(pin, salt);
    const { iv, box } = await seal(key, CHECK);
    await this.changeKey(key, { key: 'ring', salt, iv, check: box, tries: 0 });
    this.withPin.set(true);
  }

  async removePin(): Promise<void> {
    const cryptoKey = await newKey();
    await this.changeKey(cryptoKey, { key: 'ring', cryptoKey });
    this.withPin.set(false);
  }

  lock(): void {
    if (!this.withPin()) return;
    this.key = undefined;
    this.isLocked.set(true);
    this.tell();
  }

  async unlock(pin: string): Promise<Opened> {
    const ring = await this.db.rings.get('ring');
    if (!ring || 'cryptoKey' in ring) return 'gone';
    const key = await keyOf(pin, ring.salt);
    if ((await unseal(key, { iv: ring.iv, box: ring.check })) === CHECK) {
      this.key = key;
      await this.db.rings.put({ ...ring, tries: 0 });
      this.isLocked.set(false);
      return 'open';
    }
    if (ring.tries + 1 < TRIES) {
      await this.db.rings.put({ ...ring, tries: ring.tries + 1 });
      return 'wrong';
    }
    await this.forget();
    return 'gone';
  }

  /** Without the PIN: the rights go, whoever is needed signs in with a password. */
  async forget(): Promise<void> {
    await this.db.transaction('rw', this.db.grants, this.db.rings, async () => {
      await this.db.grants.clear();
      await this.db.rings.clear();
    });
    this.key = undefined;
    await this.look();
    this.tell();
  }

  private async openKey(): Promise<CryptoKey | undefined> {
    if (this.key) return this.key;
    const ring = await this.db.rings.get('ring');
    if (ring && !('cryptoKey' in ring)) return undefined;
    if (ring) return (this.key = ring.cryptoKey);
    const made = await newKey();
    // Of two tabs that are here first, one's key counts.
    await this.db.transaction('rw', this.db.rings, async () => {
      if (!(await this.db.rings.get('ring'))) await this.db.rings.put({ key: 'ring', cryptoKey: made });
    });
    return this.openKey();
  }

  private async changeKey(key: CryptoKey, ring: KeptRing): Promise<void> {
    const secrets: KeptGrant[] = [];
    for (const grant of await this.db.grants.toArray()) {
      const secret = await this.secretOf(grant.staffId);
      if (secret !== undefined) secrets.push({ staffId: grant.staffId, grantId: grant.grantId, ...(await seal(key, secret)) });
    }
    await this.db.transaction('rw', this.db.grants, this.db.rings, async () => {
      await this.db.grants.clear();
      await this.db.grants.bulkPut(secrets);
      await this.db.rings.put(ring);
    });
    this.key = key;
    this.isLocked.set(false);
    this.tell();
  }

  private tell(): void {
    this.channel?.postMessage('changed');
  }
}

const newKey = (): Promise<CryptoKey> => crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt']);

async function keyOf(pin: string, salt: Uint8Array<ArrayBuffer>): Promise<CryptoKey> {
  const typed = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveKey']);
  const way = { name: 'PBKDF2', hash: 'SHA-256', salt, iterations: ROUNDS };
  return crypto.subtle.deriveKey(way, typed, { name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt']);
}

interface Sealed {
  readonly iv: Uint8Array<ArrayBuffer>;
  readonly box: ArrayBuffer;
}
async function seal(key: CryptoKey, text: string): Promise<Sealed> {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  return { iv, box: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, new TextEncoder().encode(text)) };
}
async function unseal(key: CryptoKey, { iv, box }: Sealed): Promise<string | undefined> {
  try {
    return new TextDecoder().decode(await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, box));
  } catch {
    // Another key: AES-GCM says so, and nothing else.
    return undefined;
  }
}
