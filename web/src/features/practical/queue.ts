import { openDB, type IDBPDatabase } from 'idb'
import type { Schema } from '@/api/client'

export type Tap = Schema['Event']

/** A tap as the browser keeps it. */
export interface KeptTap {
  tap: Tap
  /** The server has answered for it; it is kept until that shows it itself, for a page that is opened without a network. */
  sent?: boolean
}
/** Where taps lie until the server shows them. */
export interface TapStore {
  all(practical: string): Promise<KeptTap[]>
  put(practical: string, kept: KeptTap[]): Promise<void>
  remove(practical: string, ids: string[]): Promise<void>
}

/** Taps in the browser's own database: they survive a closed tab and a dead network. */
export function indexedTaps(): TapStore & {
  /** Of what a next person at this device has no need: the server has answered for it. What it has not stays. */
  removeSent(): Promise<void>
} {
  let opened: Promise<IDBPDatabase> | undefined
  const db = () =>
    (opened ??= openDB('palm-tally', 1, {
      upgrade(d) {
        const store = d.createObjectStore('taps', { keyPath: ['practical', 'tap.id'] })
        store.createIndex('practical', 'practical')
      },
    }))
  return {
    async all(practical) {
      const rows = (await (await db()).getAllFromIndex('taps', 'practical', practical)) as KeptTap[]
      return rows.sort((a, b) => a.tap.seq - b.tap.seq)
    },
    async put(practical, kept) {
      const tx = (await db()).transaction('taps', 'readwrite')
      await Promise.all(kept.map((k) => tx.store.put({ practical, ...k })))
      await tx.done
    },
    async remove(practical, ids) {
      const tx = (await db()).transaction('taps', 'readwrite')
      await Promise.all(ids.map((id) => tx.store.delete([practical, id])))
      await tx.done
    },
    async removeSent() {
      const tx = (await db()).transaction('taps', 'readwrite')
      for await (const row of tx.store) if ((row.value as KeptTap).sent) await row.delete()
      await tx.done
    },
  }
}

/** The name of this device, made once. */
export function deviceName(store: Pick<Storage, 'getItem' | 'setItem'> = localStorage): string {
  let name = store.getItem('palm-device')
  if (!name) {
    name = crypto.randomUUID().slice(0, 8)
    store.setItem('palm-device', name)
  }
  return name
}
