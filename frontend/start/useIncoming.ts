import { ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { ask, says } from '../shared/api'
import type { Reading } from '../shared/types'

/** The reading that is on its way in, carried from the place where it was dropped to the place where it is confirmed. */
const reading = shallowRef<Reading | null>(null)
const LARGEST = 20_000_000

export function useIncoming() {
  const router = useRouter()
  const problem = ref('')
  const isBusy = ref(false)

  async function send(body: FormData | { name: string; text: string }) {
    problem.value = ''
    isBusy.value = true
    try {
      reading.value = await ask<Reading>('POST', '/readings', { body })
      await router.push('/figures/reading')
    } catch (error) {
      problem.value = says(error)
    } finally {
      isBusy.value = false
    }
  }

  async function takeFile(file: File | undefined) {
    if (!file) return
    if (file.size > LARGEST) {
      problem.value = `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; up to 20 MB can be read. Split it, or leave out what is not needed.`
      return
    }
    const form = new FormData()
    form.set('file', file)
    await send(form)
  }

  async function takeText(text: string) {
    await send({ name: 'Pasted table', text })
  }

  return { reading, problem, isBusy, takeFile, takeText }
}
