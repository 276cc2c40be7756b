<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Arrival } from '../shared/contract'
import SignatureField from '../figures/edits/SignatureField.vue'
import { stamp } from '../shared/wording'

/** Where an arrival came from, what was decided, and refusing it. */
const props = defineProps<{ arrival: Arrival; canDecide: boolean; isBusy: boolean; opensRefusal: boolean }>()
const emit = defineEmits<{ refuse: [reason: string] }>()
const isRefusing = ref(props.opensRefusal && props.canDecide)
const reason = ref('')
const field = ref<HTMLTextAreaElement | null>(null)

async function open() {
  isRefusing.value = true
  await nextTick()
  field.value?.focus()
}
onMounted(() => isRefusing.value && field.value?.focus())
function refuse() {
  if (reason.value.trim()) emit('refuse', reason.value.trim())
}
const words: Record<Arrival['state'], string> = {
  waits: 'Waits to be decided; nothing of it counts yet.',
  taken: 'Taken',
  'taken in part': 'Taken in part',
  refused: 'Refused',
  overtaken: 'A later fetch of the same said something else, and stands in its place.',
}
</script>

<template>
  <aside
    class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-7 pb-8 max-lg:w-[228px] max-lg:px-5 max-md:w-auto max-md:border-r-0"
    aria-label="Arrival">
    <h1 class="font-serif text-[21px] leading-7 break-words">{{ arrival.name }}</h1>
    <p class="text-quiet">
      from <RouterLink class="link" :to="`/sources/${arrival.source}`">{{ arrival.sourceName }}</RouterLink> for
      <RouterLink class="link" :to="`/figures/${arrival.dataset}`">{{ arrival.datasetName }}</RouterLink>
    </p>
    <p class="mb-5 text-quiet">{{ stamp(arrival.at) }}</p>
    <p aria-live="polite">
      {{ words[arrival.state]
      }}<template v-if="['taken', 'taken in part', 'refused'].includes(arrival.state)"
        >{{ arrival.who ? ` by ${arrival.who}` : arrival.state === 'taken' ? ' by itself' : ''
        }}{{ arrival.decidedAt ? `, ${stamp(arrival.decidedAt)}` : '' }}.</template
      >
      <span v-if="arrival.reason" class="block break-words">“{{ arrival.reason }}”</span>
    </p>
    <p v-if="arrival.import" class="mt-2 text-quiet">
      It can be taken back like any import, among what was
      <RouterLink class="link" :to="`/figures/${arrival.dataset}`">brought in</RouterLink>.
    </p>
    <section v-if="canDecide" class="mt-6" aria-label="Refuse it">
      <p v-if="arrival.counts" class="mb-4 text-quiet">
        Take all of it above, or untick the periods and members that are to stay as they are. What is not taken is
        refused, and comes again only once the source says something else.
      </p>
      <button v-if="!isRefusing" class="button" @click="open">Refuse</button>
      <form v-else @submit.prevent="refuse">
        <label
          ><span class="label mb-1 block">Why it is refused</span>
          <textarea ref="field" v-model="reason" class="field h-20 w-full py-1.5" maxlength="1000" required />
        </label>
        <p class="mt-2 flex gap-3">
          <button class="button button-strong" :disabled="isBusy || !reason.trim()">Refuse it</button>
          <button type="button" class="button" @click="isRefusing = false">Leave it</button>
        </p>
      </form>
    </section>
    <SignatureField class="mt-6" />
  </aside>
</template>
