<script setup lang="ts">
import { computed } from 'vue'
import type { DatasetName, NearName, Trial } from '../types'
import { plural } from '../../shared/wording'

const props = defineProps<{ trial: Trial; target: DatasetName | null; near: NearName[]; reading: string }>()
const emit = defineEmits<{ leaveOut: [rows: number[]]; same: [one: NearName]; different: [one: NearName] }>()

const lines = computed(() => {
  const counts = props.trial.counts
  if (!counts || !props.target) return []
  return [
    [counts.added, 'added'],
    [counts.replaced, 'replaced'],
    [counts.unchanged, 'unchanged'],
    [counts.removed, 'removed'],
  ] as const
})
const newMeasures = computed(() => (props.trial.measures ?? []).filter(measure => measure.isNew && props.target))

function all() {
  emit('leaveOut', [...new Set((props.trial.refusals ?? []).map(refusal => refusal.row))])
}
function names(list: string[], count: number) {
  const more = count - list.length
  return list.map(name => name || '(blank)').join(', ') + (more > 0 ? ` and ${more.toLocaleString('en-GB')} more` : '')
}
</script>

<template>
  <section v-if="trial.accepted" aria-label="Summary">
    <h2 class="label">Would come in</h2>
    <p>
      <span class="text-[28px] leading-10 font-semibold">{{ trial.facts?.toLocaleString('en-GB') }}</span>
      {{ trial.facts === 1 ? 'amount' : 'amounts' }}
    </p>
    <dl v-if="lines.length" class="mt-1">
      <div v-for="[count, word] in lines" :key="word" class="flex justify-between border-b border-hairline py-1">
        <dt :class="count ? '' : 'text-quiet'">{{ word }}</dt>
        <dd :class="count ? (word === 'removed' ? 'text-unfavourable-text' : '') : 'text-quiet'">
          {{ count.toLocaleString('en-GB') }}
        </dd>
      </div>
    </dl>
    <slot />
    <div
      v-for="one in near"
      :key="one.breakdown + one.name"
      class="mb-4 rounded bg-accent-tint px-3 py-2"
      role="group"
      :aria-label="`Is ${one.name} the same as ${one.like}?`">
      <p class="break-words">“{{ one.name }}” looks like “{{ one.like }}”.</p>
      <p class="mt-1 flex gap-4">
        <button class="link" @click="emit('same', one)">Same</button>
        <button class="link" @click="emit('different', one)">Different</button>
      </p>
    </div>
    <ul v-if="trial.notices?.length" class="mb-4 space-y-2">
      <li v-for="notice in trial.notices" :key="notice.says" class="flex gap-2 break-words">
        <span
          :class="notice.holds ? 'text-favourable-text' : 'font-semibold text-unfavourable-text'"
          aria-hidden="true"
          >{{ notice.holds ? '✓' : '!' }}</span
        >
        <span class="min-w-0">{{ notice.says }}.</span>
      </li>
    </ul>
    <dl class="space-y-2.5">
      <div v-if="newMeasures.length">
        <dt class="label">New to the dataset</dt>
        <dd class="break-words">{{ newMeasures.map(measure => measure.name).join(', ') }}</dd>
      </div>
      <template v-for="breakdown in trial.breakdowns" :key="`new ${breakdown.name}`">
        <div v-if="target && breakdown.newCount">
          <dt class="label">New in {{ breakdown.name }}</dt>
          <dd class="break-words">{{ names(breakdown.newMembers, breakdown.newCount) }}</dd>
        </div>
      </template>
      <div v-if="trial.periods">
        <dt class="label">Periods</dt>
        <dd>{{ trial.periods }}, by {{ trial.grain }}</dd>
      </div>
      <div>
        <dt class="label">Scenarios</dt>
        <dd>{{ trial.scenarios?.join(' ') }}</dd>
      </div>
      <div>
        <dt class="label">{{ trial.measures?.length === 1 ? 'Measure' : 'Measures' }}</dt>
        <dd class="break-words">
          {{
            trial.measures
              ?.map(measure => (measure.unit ? `${measure.name} in ${measure.unit}` : measure.name))
              .join(', ')
          }}
        </dd>
      </div>
      <div v-if="trial.breakdowns?.length">
        <dt class="label">Breakdowns</dt>
        <dd v-for="breakdown in trial.breakdowns" :key="breakdown.name" class="break-words">
          {{ breakdown.members.toLocaleString('en-GB') }} in {{ breakdown.name }}
        </dd>
      </div>
      <div v-if="trial.without">
        <dt class="label">Without amounts</dt>
        <dd>{{ plural(trial.without, 'row') }}, passed over</dd>
      </div>
    </dl>
  </section>
  <section v-else aria-label="Refused" role="alert">
    <h2 class="font-semibold text-unfavourable-text">This cannot come in yet</h2>
    <slot />
    <template v-if="trial.refusals?.length">
      <button class="button mb-3" @click="all">
        {{ trial.refusals.length === 1 ? 'Leave this row out' : 'Leave these rows out' }}
      </button>
      <ul class="max-h-[46vh] space-y-2 overflow-y-auto" tabindex="0" aria-label="Refused rows">
        <li v-for="refusal in trial.refusals" :key="`${refusal.row}-${refusal.column}`" class="break-words">
          {{ refusal.reason }}
        </li>
      </ul>
      <p v-if="(trial.refused ?? 0) > trial.refusals.length" class="mt-2 text-quiet">
        And {{ ((trial.refused ?? 0) - trial.refusals.length).toLocaleString('en-GB') }} more.
      </p>
      <p class="mt-3">
        <a class="link" :href="`/api/readings/${reading}/refusals`" download>Download the list</a>
      </p>
    </template>
    <p v-else class="break-words">{{ trial.says }}</p>
  </section>
</template>
