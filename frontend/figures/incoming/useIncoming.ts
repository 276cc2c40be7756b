import { ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { ask, says } from '../../shared/api'
import type { Reading } from '../types'

/** The reading that is on its way in, carried from the place where it was dropped to the place where it is confirmed. */
const reading = shallowRef<Reading | null>(null)
const LARGEST = 200_000_000

/** @param dataset that what is dropped here is meant for */
export function useIncoming(dataset?: () => number | undefined) {
  const router = useRouter()
  const problem = ref('')
  const isBusy = ref(false)

  async function send(body: FormData | { name: string; text: string; dataset?: number }) {
    problem.value = ''
    isBusy.value = true
    try {
      reading.value = await ask<Reading>('POST', '/readings', { body })
      await router.push(`/figures/reading?id=${reading.value.id}`)
    } catch (error) {
      problem.value = says(error)
    } finally {
      isBusy.value = false
    }
  }

  async function takeFile(file: File | undefined) {
    if (!file || isBusy.value) return
    if (file.size > LARGEST) {
      problem.value = `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; up to 200 MB can be read. Split it, or leave out what is not needed.`
      return
    }
    const form = new FormData()
    form.set('file', file)
    const target = dataset?.()
    if (target) form.set('dataset', String(target))
    await send(form)
  }

  async function takeText(text: string) {
    if (!isBusy.value) await send({ name: 'Pasted table', text, dataset: dataset?.() })
  }

  return { reading, problem, isBusy, takeFile, takeText }
}
