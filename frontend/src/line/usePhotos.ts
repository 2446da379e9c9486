import { onMounted, onScopeDispose, ref } from 'vue'
import { api, isAway, newKey, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { useSaving } from '@/sheets/saving'

/** A photo that waits on this machine until the server has it. */
export interface Waiting {
  id: string
  job: string
  part: string
  caption: string
  picture: Blob
}
type Head = Schemas['PhotoHead']
const LONGEST_PX = 2000
const MOST_BYTES = 60_000_000
const RETRY_MS = 2000

function store(): Promise<IDBDatabase> {
  return new Promise((resolve, reject) => {
    const asked = indexedDB.open('ample-photos', 1)
    asked.onupgradeneeded = () => asked.result.createObjectStore('waiting', { keyPath: 'id' })
    asked.onsuccess = () => resolve(asked.result)
    asked.onerror = () => reject(asked.error ?? new Error('no store on this machine'))
  })
}
async function within<T>(mode: IDBTransactionMode, work: (all: IDBObjectStore) => IDBRequest<T>): Promise<T> {
  const opened = await store()
  return new Promise((resolve, reject) => {
    const asked = work(opened.transaction('waiting', mode).objectStore('waiting'))
    asked.onsuccess = () => resolve(asked.result)
    asked.onerror = () => reject(asked.error ?? new Error('the store refuses'))
  })
}

/** Smaller and upright, as JPEG; what is no picture is said so at once. */
async function shrink(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const share = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * share))
  canvas.height = Math.max(1, Math.round(bitmap.height * share))
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return new Promise((resolve, reject) =>
    canvas.toBlob((made) => (made ? resolve(made) : reject(new Error('empty'))), 'image/jpeg', 0.88),
  )
}

/** Photos of a job: made smaller here, kept until the server has them, sent again while it is away. */
export function usePhotos(number: string, sent: () => Promise<void>) {
  const saving = useSaving()
  const waiting = ref<Waiting[]>([])
  const fault = ref('')
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false

  async function look(): Promise<void> {
    const all = (await within('readonly', (each) => each.getAll())) as Waiting[]
    waiting.value = all.filter((each) => each.job === number)
  }
  async function add(file: File, part: string): Promise<void> {
    fault.value = ''
    if (file.size > MOST_BYTES) {
      fault.value = `${file.name} has ${Math.round(file.size / 1e6)} MB: the limit is 60 MB before it is reduced.`
      return
    }
    let picture: Blob
    try {
      if (file.type === 'image/svg+xml') throw new Error('a drawing, not a photo')
      picture = await shrink(file)
    } catch {
      fault.value = `${file.name} is not a photo that can be used. Use JPEG, PNG or WebP.`
      return
    }
    await within('readwrite', (all) => all.put({ id: newKey(), job: number, part, caption: '', picture }))
    await look()
    void flush()
  }
  async function flush(): Promise<void> {
    clearTimeout(timer)
    if (busy) return
    busy = true
    let refusal: Refusal | null = null
    while (waiting.value.length && !refusal) refusal = await send(waiting.value[0] as Waiting)
    busy = false
    if (!refusal) saving.saved('photos')
    else if (isAway(refusal)) {
      saving.away('photos', refusal.message)
      timer = setTimeout(() => void flush(), RETRY_MS)
    } else fault.value = `${refusal.message} ${refusal.hint ?? ''}`
  }
  async function send(photo: Waiting): Promise<Refusal | null> {
    saving.working('photos')
    const { answer, refusal } = await resultOf(
      api.POST('/api/jobs/{number}/photos', {
        params: { path: { number }, query: { part: photo.part, caption: photo.caption } },
        body: photo.picture as never,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { ...withKey(photo.id).headers, 'Content-Type': 'image/jpeg' },
      } as never),
    )
    if (answer || (refusal && !isAway(refusal))) await within('readwrite', (all) => all.delete(photo.id))
    await look()
    if (answer) await sent()
    return refusal
  }
  async function remove({ photo_id, version }: Head): Promise<void> {
    const { refusal } = await resultOf(
      api.DELETE('/api/photos/{photo_id}', {
        params: { path: { photo_id }, query: { version } },
        ...withKey(),
      }),
    )
    fault.value = refusal?.message ?? ''
    await sent()
  }
  /** Where it belongs or what it shows has changed. */
  async function place(photo: Head, values: Partial<Pick<Head, 'caption' | 'place_x' | 'place_y'>>) {
    const { photo_id, version, part, caption, place_x, place_y } = { ...photo, ...values }
    const { refusal } = await resultOf(
      api.PUT('/api/photos/{photo_id}', {
        params: { path: { photo_id } },
        body: { version, part, caption, place_x, place_y },
        ...withKey(),
      }),
    )
    fault.value = refusal?.message ?? ''
    await sent()
  }
  onMounted(() => void look().then(flush))
  onScopeDispose(() => clearTimeout(timer))
  return { waiting, fault, add, remove, place }
}
