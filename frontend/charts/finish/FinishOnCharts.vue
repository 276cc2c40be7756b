<script setup lang="ts">
import { computed, ref } from 'vue'
import DialogSheet from '../../shared/DialogSheet.vue'
import { ask, says } from '../../shared/api'
import type { Chart, Listing, NamedFinish, Recipe } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'

/** Puts a named finish on the charts that are chosen, and offers the way back. */
const props = defineProps<{ named: NamedFinish; own: number | null }>()
const emit = defineEmits<{ close: []; here: [named: NamedFinish] }>()
const { tell } = useToast()
const { value, problem } = useLoad(['charts', 'all'], async () => {
  const first = await ask<Listing<Chart>>('GET', '/charts')
  const more = Array.from({ length: first.pages - 1 }, (_, i) => ask<Listing<Chart>>('GET', `/charts?page=${i + 2}`))
  return [...first.items, ...(await Promise.all(more)).flatMap(page => page.items)]
})
const charts = computed(() => value.value ?? [])
const chosen = ref(new Set<number>(props.named.charts))
const isAll = computed(() => charts.value.length > 0 && charts.value.every(one => chosen.value.has(one.id)))

function toggle(id: number) {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}

async function back(before: { id: number; recipe: Recipe }[]) {
  try {
    for (const { id, recipe } of before) {
      const now = await ask<Chart>('GET', `/charts/${id}`)
      await ask('PUT', `/charts/${id}`, { version: now.version, body: { name: now.name, recipe } })
    }
    tell('The charts look as before.')
  } catch (error) {
    tell(says(error))
  }
}

async function put() {
  const others = [...chosen.value].filter(id => id !== props.own)
  try {
    if (others.length) {
      const { before } = await ask<{ before: { id: number; recipe: Recipe }[] }>(
        'POST',
        `/finishes/${props.named.id}/uses`,
        { body: { charts: others } },
      )
      tell(`“${props.named.name}” is on ${others.length === 1 ? 'one chart' : `${others.length} charts`} now.`, {
        label: 'Undo',
        do: () => void back(before),
      })
    }
    if (props.own && chosen.value.has(props.own)) emit('here', props.named)
    emit('close')
  } catch (error) {
    tell(says(error))
  }
}
</script>

<template>
  <DialogSheet :title="`Use “${named.name}” on charts`" @close="emit('close')">
    <p class="mb-3 text-quiet">Their words and highlighted rows stay. They follow when the finish is changed.</p>
    <p v-if="problem" class="text-unfavourable-text" role="alert">{{ problem }}</p>
    <label class="flex items-center gap-2 border-b border-hairline pb-1.5 font-semibold">
      <input
        type="checkbox"
        class="size-4 accent-accent"
        :checked="isAll"
        @change="chosen = isAll ? new Set() : new Set(charts.map(one => one.id))" />All charts
    </label>
    <div class="min-h-20 overflow-y-auto py-1" tabindex="0" aria-label="Charts">
      <label v-for="one in charts" :key="one.id" class="flex items-center gap-2 py-0.5">
        <input
          type="checkbox"
          class="size-4 shrink-0 accent-accent"
          :checked="chosen.has(one.id)"
          @change="toggle(one.id)" /><span class="min-w-0 flex-1 break-words">{{ one.name }}</span
        ><span class="max-w-40 truncate text-[12px] text-quiet">{{ one.datasetName }}</span>
      </label>
    </div>
    <p class="mt-4 flex gap-2">
      <button class="button button-strong" :disabled="!chosen.size" @click="put">
        Use on {{ chosen.size === 1 ? 'one chart' : `${chosen.size} charts` }}
      </button>
      <button class="button" @click="emit('close')">Let it be</button>
    </p>
  </DialogSheet>
</template>
