<script setup lang="ts">
import type { Trial } from '../shared/types'

const props = defineProps<{ trial: Trial }>()
const emit = defineEmits<{ leaveOut: [rows: number[]] }>()

function plural(name: string, count: number) {
  return `${count.toLocaleString('en-GB')} in ${name}`
}
function all() {
  emit('leaveOut', [...new Set((props.trial.refusals ?? []).map((refusal) => refusal.row))])
}
</script>

<template>
  <section v-if="trial.accepted" aria-label="Summary">
    <h2 class="label">Would come in</h2>
    <p class="mb-3">
      <span class="text-[28px] leading-10 font-semibold">{{ trial.facts?.toLocaleString('en-GB') }}</span>
      {{ trial.facts === 1 ? 'amount' : 'amounts' }}
    </p>
    <dl class="space-y-2.5">
      <div>
        <dt class="label">Periods</dt>
        <dd>{{ trial.periods }}, by {{ trial.grain }}</dd>
      </div>
      <div>
        <dt class="label">Scenarios</dt>
        <dd>{{ trial.scenarios?.join(' ') }}</dd>
      </div>
      <div>
        <dt class="label">{{ trial.measures?.length === 1 ? 'Measure' : 'Measures' }}</dt>
        <dd class="break-words">{{ trial.measures?.join(', ') }}</dd>
      </div>
      <div v-if="trial.breakdowns?.length">
        <dt class="label">Breakdowns</dt>
        <dd v-for="breakdown in trial.breakdowns" :key="breakdown.name" class="break-words">
          {{ plural(breakdown.name, breakdown.members) }}
        </dd>
      </div>
    </dl>
    <p v-for="notice in trial.notices" :key="notice" class="mt-4 border-t border-hairline pt-3">{{ notice }}.</p>
  </section>
  <section v-else aria-label="Refused" role="alert">
    <h2 class="mb-2 font-semibold text-unfavourable-text">This cannot come in yet</h2>
    <template v-if="trial.refusals?.length">
      <ul class="max-h-[46vh] space-y-2 overflow-y-auto">
        <li v-for="refusal in trial.refusals" :key="`${refusal.row}-${refusal.column}`" class="break-words">
          {{ refusal.reason }}
        </li>
      </ul>
      <p v-if="(trial.refused ?? 0) > trial.refusals.length" class="mt-2 text-quiet">
        And {{ ((trial.refused ?? 0) - trial.refusals.length).toLocaleString('en-GB') }} more.
      </p>
      <button class="button mt-3" @click="all">
        {{ trial.refusals.length === 1 ? 'Leave this row out' : 'Leave these rows out' }}
      </button>
    </template>
    <p v-else class="break-words">{{ trial.says }}</p>
  </section>
</template>
