import { openDB, type IDBPDatabase } from 'idb'
import type { Schema } from '@/api/client'

export type Tap = Schema['Event']

/** Where taps lie until the server has answered for them. */
export interface TapStore {
  all(practical: string): Promise<Tap[]>
  put(practical: string, tap: Tap): Promise<void>
  remove(practical: string, ids: string[]): Promise<void>
}

/** Taps in the browser's own database: they survive a closed tab and a dead network. */
export function indexedTaps(): TapStore {
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
      const rows = (await (await db()).getAllFromIndex('taps', 'practical', practical)) as { tap: Tap }[]
      return rows.map((r) => r.tap).sort((a, b) => a.seq - b.seq)
    },
    async put(practical, tap) {
      await (await db()).put('taps', { practical, tap })
    },
    async remove(practical, ids) {
      const tx = (await db()).transaction('taps', 'readwrite')
      await Promise.all(ids.map((id) => tx.store.delete([practical, id])))
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
