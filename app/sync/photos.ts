import type { DBSchema } from 'idb'
import { fileIdOf, MOST_FILE_BYTES } from '~~/contract'
import { GuardedStore } from './guarded'
import { loosePhotos } from './loose-photos'

/** ms that the store may take with a photograph of the greatest size. */
const PATIENCE = 10_000

interface Store extends DBSchema {
  photos: { key: string; value: Blob }
}

/** What became of a photograph that was sent; the status of the server's answer, 0 where there was none. */
export interface SentPhoto {
  status: number
  detail: string
}

/** Photographs that the server has not confirmed yet, in a database of their own, shared by all tabs of this browser. */
class WaitingPhotos {
  private readonly store = new GuardedStore<Store>(
    'mellow-anchor-photos',
    (database) => void database.createObjectStore('photos'),
    PATIENCE,
  )
  /** What the browser's own database did not take is kept in this page alone, which `loosePhotos` says. */
  private readonly loose = new Map<string, Blob>()

  /** Loads what is needed to keep one, while the server is there. */
  async ready(): Promise<void> {
    await import('@noble/hashes/sha2.js')
  }

  /**
   * Keeps a photograph until the server has it.
   * @returns the id by which an entry names it, made from its content
   * @throws Error in words where it has too many bytes
   */
  async keep(photo: Blob): Promise<string> {
    if (photo.size > MOST_FILE_BYTES)
      throw new Error(
        `This photograph has ${Math.ceil(photo.size / 1024 / 1024)} MiB; ${MOST_FILE_BYTES / 1024 / 1024} are the most.`,
      )
    const id = fileIdOf(await sha256Of(new Uint8Array(await photo.arrayBuffer())))
    const stored = await this.store.attempt(async (store) => {
      await store.put('photos', photo, id)
      return true
    })
    if (!stored) {
      this.loose.set(id, photo)
      this.tell()
    }
    return id
  }

  async get(id: string): Promise<Blob | undefined> {
    const own = this.loose.get(id)
    if (own) return own
    return (await this.store.attempt((store) => store.get('photos', id))) ?? undefined
  }

  /** Sends a photograph if it still waits; one that does not is with the server already, and that is well. */
  async deliver(id: string): Promise<SentPhoto> {
    const photo = await this.get(id)
    if (!photo) return { status: 200, detail: '' }
    let response: Response
    try {
      response = await fetch('/api/files', {
        method: 'POST',
        headers: { 'content-type': photo.type || 'application/octet-stream' },
        body: photo,
        signal: AbortSignal.timeout(30_000),
      })
    } catch {
      return { status: 0, detail: 'The server does not answer.' }
    }
    const answer = (await response.json().catch(() => null)) as {
      id?: string
      detail?: string
    } | null
    // A network's own log-in page answers 200 as well.
    if (response.ok && answer?.id !== id)
      return { status: 0, detail: 'Something other than the server answers.' }
    if (response.ok) await this.forget(id)
    return { status: response.status, detail: answer?.detail ?? '' }
  }

  /** It is sent, or nothing names it any more. One that stays by mistake is sent again, which changes nothing. */
  async forget(id: string): Promise<void> {
    this.loose.delete(id)
    this.tell()
    await this.store.attempt(async (store) => {
      await store.delete('photos', id)
      return true
    })
  }
  private tell(): void {
    loosePhotos.value = new Set(this.loose.keys())
  }
}

/** The browser does it beside its own thread, but only for pages that came by https or from this machine. */
async function sha256Of(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
  if (globalThis.crypto.subtle)
    return new Uint8Array(await globalThis.crypto.subtle.digest('SHA-256', bytes))
  const { sha256 } = await import('@noble/hashes/sha2.js')
  return sha256(bytes)
}

export const waitingPhotos = new WaitingPhotos()
