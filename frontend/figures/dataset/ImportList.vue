<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, says } from '../../shared/api'
import PageTurner from '../../shared/PageTurner.vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Import, TakeBack } from '../types'
import { usePages } from '../../shared/usePages'
import { useToast } from '../../shared/useToast'
import { plural, stamp } from '../../shared/wording'

/** What was brought into a dataset, the latest first; each can be taken back. */
const props = defineProps<{ dataset: number; sign?: string }>()
const emit = defineEmits<{ changed: [] }>()
const { tell } = useToast()
const { list, problem, reload, turn } = usePages<Import>(`datasets/${props.dataset}/imports`)
watch(
  () => props.sign,
  () => void reload(),
)
const asking = ref<{ id: number; would: TakeBack } | null>(null)
const trouble = ref('')
const isBusy = ref(false)

function changes(one: Import): string {
  const { added, replaced, removed, unchanged } = one.counts
  const parts = [
    added ? `${added.toLocaleString('en-GB')} added` : '',
    replaced ? `${replaced.toLocaleString('en-GB')} replaced` : '',
    removed ? `${removed.toLocaleString('en-GB')} removed` : '',
  ].filter(Boolean)
  return parts.length ? parts.join(', ') : `${plural(unchanged, 'figure')} unchanged`
}

/** When, and by whom or of how many rows. */
function about(one: Import): string {
  const of = one.mode === 'by hand' ? '' : plural(one.rows, 'row')
  return [stamp(one.at), one.who, of].filter(Boolean).join(' · ')
}

function would({ gone, restored, overwritten }: TakeBack): string {
  const parts = [
    gone ? `${plural(gone, 'figure')} would go` : '',
    restored ? `${plural(restored, 'earlier one')} would come back` : '',
  ].filter(Boolean)
  const rest = overwritten
    ? ` ${plural(overwritten, 'figure')} of it ${overwritten === 1 ? 'was' : 'were'} overwritten or removed by a later import and ${overwritten === 1 ? 'stays as it is' : 'stay as they are'}.`
    : ''
  return `${parts.length ? parts.join(', ') : 'Nothing would change'}.${rest}`
}

async function foresee(one: Import) {
  trouble.value = ''
  try {
    asking.value = { id: one.id, would: await ask<TakeBack>('GET', `/imports/${one.id}/take-back`) }
  } catch (error) {
    trouble.value = says(error)
  }
}

async function takeBack(one: Import) {
  isBusy.value = true
  try {
    await ask('POST', `/imports/${one.id}/take-back`, { body: { confirmed: true } })
    asking.value = null
    tell(`${one.name} is taken back.`)
    await reload()
    emit('changed')
  } catch (error) {
    trouble.value = says(error)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <section aria-label="Brought in">
    <h2 class="label mb-1">Brought in</h2>
    <SentenceOfTrouble v-if="problem || trouble" class="my-2" :says="problem || trouble" />
    <ul>
      <li v-for="one in list?.items ?? []" :key="one.id" class="border-b border-hairline py-2">
        <p class="break-words" :class="one.takenBackAt ? 'text-quiet line-through' : ''">{{ one.name }}</p>
        <p class="text-[12px] text-quiet">
          {{ about(one) }} · {{ one.takenBackAt ? 'taken back' : changes(one) }}
          <button v-if="!one.takenBackAt && asking?.id !== one.id" class="link ml-1" @click="foresee(one)">
            Take back
          </button>
        </p>
        <div
          v-if="asking?.id === one.id"
          class="mt-2 rounded bg-accent-tint px-3 py-2"
          role="group"
          :aria-label="`Take ${one.name} back?`">
          <p>{{ would(asking.would) }}</p>
          <ul v-if="asking.would.examples.length" class="mt-1.5 space-y-1 text-[12px]">
            <li v-for="example in asking.would.examples" :key="example" class="break-words">{{ example }}</li>
            <li v-if="asking.would.overwritten > asking.would.examples.length">
              and {{ (asking.would.overwritten - asking.would.examples.length).toLocaleString('en-GB') }} more
            </li>
          </ul>
          <p class="mt-2 flex gap-3">
            <button class="button button-strong" :disabled="isBusy" @click="takeBack(one)">
              {{ asking.would.overwritten ? 'Take the rest back' : 'Take it back' }}
            </button>
            <button class="button" :disabled="isBusy" @click="asking = null">Keep it</button>
          </p>
        </div>
      </li>
    </ul>
    <PageTurner :list="list" @turn="turn" />
  </section>
</template>
