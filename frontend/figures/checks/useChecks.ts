import { ref, shallowRef, watch, type Ref } from 'vue'
import { watchDebounced } from '@vueuse/core'
import { ask, says } from '../../shared/api'
import type { Finding } from '../types'

/** The checks of a dataset, made again whenever something in it has changed. */
export function useChecks(dataset: Ref<number | null>, sign: Ref<string>) {
  const findings = shallowRef<Finding[]>([])
  const problem = ref('')
  let asked = 0

  async function told(method: string, path: string, body?: object) {
    const mine = ++asked
    try {
      const { items } = await ask<{ items: Finding[] }>(method, `/datasets/${dataset.value}/checks${path}`, { body })
      if (mine === asked) [findings.value, problem.value] = [items, '']
    } catch (error) {
      if (mine === asked) problem.value = says(error)
    }
  }

  let isAsking = false
  let isStale = false
  /** One at a time: over a million figures the checks take a while, and amounts may be typed meanwhile. */
  async function renew() {
    if (dataset.value === null) return
    isStale = isAsking
    if (isAsking) return
    isAsking = true
    await told('GET', '')
    isAsking = false
    if (isStale) await renew()
  }
  watch(dataset, () => void renew(), { immediate: true })
  watchDebounced(sign, () => void renew(), { debounce: 400, maxWait: 4000 })

  return {
    findings,
    problem,
    accept: (finding: Finding, reason: string) =>
      told('PUT', `/${finding.id}/acceptance`, { mark: finding.mark, reason }),
    withdraw: (finding: Finding) => told('DELETE', `/${finding.id}/acceptance`),
  }
}
