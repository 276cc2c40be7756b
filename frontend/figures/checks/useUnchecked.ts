import { watch, type Ref } from 'vue'
import { ask } from '../../shared/api'
import type { DatasetBrief, Listing } from '../../shared/types'
import type { Finding } from '../types'

/** Large datasets that have changed are not checked while a list waits: the list asks for it afterwards, one after the other. */
export function useUnchecked(list: Ref<Listing<DatasetBrief> | null>) {
  const asked = new Set<string>()

  async function check(dataset: DatasetBrief) {
    try {
      const { items } = await ask<{ items: Finding[] }>('GET', `/datasets/${dataset.id}/checks`)
      const failing = items.filter(one => !one.holds && !one.accepted).length
      if (list.value)
        list.value = {
          ...list.value,
          items: list.value.items.map(one => (one.id === dataset.id ? { ...one, failing } : one)),
        }
    } catch {
      // The mark is missing then; opening the dataset says why.
    }
  }

  watch(
    list,
    async value => {
      for (const one of value?.items ?? []) {
        const sign = `${one.id}.${one.version}`
        if (one.failing !== null || asked.has(sign)) continue
        asked.add(sign)
        await check(one)
      }
    },
    { immediate: true },
  )
}
