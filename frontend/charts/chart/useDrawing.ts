import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { useTimeoutFn } from '@vueuse/core'
import { ask } from '../../shared/api'
import type { Drawing, Recipe } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'

const SLOW_AFTER = 300
/** The least height of a row of a table, in points. */
const ROW = 18
/** Rows of a long table that are asked for first: more than the window shows. */
const firstRows = () => Math.ceil(window.innerHeight / ROW) + 10

const hasMore = (drawing: Drawing | null): boolean =>
  drawing !== null && (drawing.workings.more > 0 || hasMore(drawing.beside ?? null))

/**
 * The drawing of the recipes of one dataset, side by side, asked again whenever one of them changes. A drawing stands until the
 * next one has come, also where a question is refused. Of a long table the first rows come first, the others once they are
 * wanted.
 *
 * @param recipes one, or two that are drawn on one scale
 * @param width of each, in pixels; not asked before it is known
 * @param fresh counts the changes of the figures
 * @param known the last change of a name that the recipes know of; null: their names are told as they are now
 * @param wantsAll whether somebody looks at more than the first rows
 */
export function useDrawing(
  dataset: Ref<number | null>,
  recipes: Ref<Recipe[]>,
  width: Ref<number>,
  fresh: Ref<number>,
  known: Ref<number | null> = ref(null),
  wantsAll: Ref<boolean> = ref(false),
) {
  const sized = computed(() =>
    recipes.value.map((of): Recipe => ({ ...of, finish: { ...of.finish, width: Math.round(width.value) } })),
  )
  const isOfAll = ref(false)
  watch([dataset, sized, fresh], () => (isOfAll.value &&= wantsAll.value), { flush: 'sync' })
  const { value, problem, isLoading } = useLoad(
    () => ['datasets', dataset.value, 'drawings', sized.value, fresh.value, isOfAll.value],
    signal => {
      const [recipe, beside] = sized.value
      return ask<Drawing>('POST', `/datasets/${dataset.value}/drawings`, {
        body: { recipe, beside, names: known.value ?? undefined, rows: isOfAll.value ? undefined : firstRows() },
        signal,
      })
    },
    { isAsked: () => dataset.value !== null && recipes.value.length > 0 && width.value >= 1, isFresh: true },
  )
  const drawing = shallowRef<Drawing | null>(null)
  watch(value, drawn => (drawing.value = drawn ?? drawing.value), { immediate: true, flush: 'sync' })
  watch([value, wantsAll], ([drawn]) => (isOfAll.value ||= wantsAll.value && hasMore(drawn)), { immediate: true })

  const isSlow = ref(false)
  const slow = useTimeoutFn(() => (isSlow.value = true), SLOW_AFTER, { immediate: false })
  watch(
    isLoading,
    is => {
      slow.stop()
      const isRest = isOfAll.value && hasMore(drawing.value)
      if (is && !isRest) slow.start()
      else isSlow.value = false
    },
    { immediate: true },
  )

  return { drawing, problem, isSlow }
}
