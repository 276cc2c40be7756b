/** Each test begins with empty stores and an empty cache. */
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach } from 'vitest'
import { cache } from './cache'

beforeEach(() => {
  setActivePinia(createPinia())
  cache.clear()
})
