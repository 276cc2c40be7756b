import { computed, shallowRef, type Ref } from 'vue'
import type { Filter, Question, Span } from '../../shared/types'

/** Changes of the filter and the span that are gathered, and applied together. */
export function useGathered(question: Ref<Question>, change: (part: Partial<Question>) => void) {
  const gathered = shallowRef<{ where: Filter[]; span: Span | undefined } | null>(null)
  const isGathering = computed(() => gathered.value !== null)
  const asked = computed(() => question.value.where ?? [])
  const count = computed(() => {
    const texts = (filters: Filter[]) => new Set(filters.map((one) => JSON.stringify(one)))
    const [now, then] = [texts(gathered.value?.where ?? []), texts(asked.value)]
    const fields = new Set<string>()
    for (const text of new Set([...now, ...then]))
      if (now.has(text) !== then.has(text)) fields.add((JSON.parse(text) as Filter).field)
    return fields.size + (isOtherSpan.value ? 1 : 0)
  })
  const isOtherSpan = computed(
    () =>
      gathered.value !== null &&
      JSON.stringify(gathered.value.span ?? null) !== JSON.stringify(question.value.span ?? null),
  )

  function set(filters: Filter[] | undefined) {
    if (gathered.value) gathered.value = { ...gathered.value, where: filters ?? [] }
    else change({ where: filters })
  }
  function setSpan(span: Span | undefined) {
    if (gathered.value) gathered.value = { ...gathered.value, span }
    else change({ span })
  }
  function start() {
    gathered.value = { where: asked.value, span: question.value.span }
  }
  function apply() {
    const taken = gathered.value
    gathered.value = null
    if (taken) change({ where: taken.where.length ? taken.where : undefined, span: taken.span })
  }
  function drop() {
    gathered.value = null
  }

  const where = computed(() => gathered.value?.where ?? asked.value)
  const span = computed(() => (gathered.value ? gathered.value.span : question.value.span))
  return { where, span, isGathering, count, set, setSpan, start, apply, drop }
}
