<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ask, says } from '../../shared/api'
import DialogSheet from '../../shared/DialogSheet.vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import { useToast } from '../../shared/useToast'
import type { DeckTemplates } from '../types'

/** The organisation's own template, which all slides are made in. */
const emit = defineEmits<{ close: [] }>()
const { tell } = useToast()
const state = ref<DeckTemplates | null>(null)
const problem = ref('')
const field = ref<HTMLInputElement | null>(null)
const template = computed(() => state.value?.template ?? null)
/** Of its own colours and letters only: what is drawn was made by the server. */
const picture = computed(() => `data:image/svg+xml,${encodeURIComponent(template.value?.picture ?? '')}`)

const ROLES = {
  ink: 'Amounts and texts',
  favourable: 'Favourable',
  unfavourable: 'Unfavourable',
  accent: 'Notes and time marks',
  pale: 'Bands and hairlines',
  panel: 'What lies behind',
} as const

async function run(action: () => Promise<DeckTemplates>, done = '') {
  problem.value = ''
  try {
    state.value = await action()
    if (done) tell(done)
  } catch (error) {
    problem.value = says(error)
  }
}
onMounted(() => run(() => ask<DeckTemplates>('GET', '/template')))

function take() {
  const file = field.value?.files?.[0]
  if (field.value) field.value.value = ''
  if (!file) return
  const body = new FormData()
  body.set('file', file)
  void run(() => ask<DeckTemplates>('POST', '/template', { body }), 'Slides are made in this template from now on.')
}
function use(change: { layout?: string; roles?: Record<string, string> }) {
  const { layout = '', roles = {} } = template.value ?? {}
  void run(() =>
    ask<DeckTemplates>('PATCH', '/template', {
      body: { layout: change.layout ?? layout, roles: { ...roles, ...change.roles } },
    }),
  )
}
const remove = () =>
  run(() => ask<DeckTemplates>('DELETE', '/template'), 'Slides are made without a template from now on.')
const value = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <DialogSheet title="Template of slides" width="max-w-2xl" @close="emit('close')">
    <SentenceOfTrouble v-if="problem" class="mb-4" :says="problem" />
    <p v-if="!state && !problem" class="mb-4 text-quiet" role="status">Looking…</p>
    <template v-if="template">
      <p class="mb-3 break-words text-quiet">{{ template.name }}. All slides are made in it; charts fit its body.</p>
      <div class="mb-5 flex gap-6 max-sm:flex-col">
        <img
          :src="picture"
          alt="A slide of the template: where message and charts go, and the colours of bars"
          class="w-[300px] shrink-0 self-start border border-hairline" />
        <div class="min-w-0 flex-1">
          <label class="label block" for="template-layout">Layout</label>
          <select
            id="template-layout"
            class="field mb-3 w-full"
            :value="template.layout"
            @change="use({ layout: value($event) })">
            <option v-for="one in template.layouts" :key="one" :value="one">{{ one }}</option>
          </select>
          <h3 class="label mb-1">Which colour plays which role</h3>
          <p v-for="(name, role) in ROLES" :key="role" class="flex items-center gap-2 py-0.5">
            <span
              class="size-4 shrink-0 rounded-xs border border-hairline"
              :style="{ backgroundColor: template.colours[template.roles[role] ?? ''] }"
              aria-hidden="true" />
            <label class="flex-1" :for="`role-${role}`">{{ name }}</label>
            <select
              :id="`role-${role}`"
              class="field"
              :value="template.roles[role]"
              @change="use({ roles: { [role]: value($event) } })">
              <option v-for="(colour, slot) in template.colours" :key="slot" :value="slot">
                {{ slot }} {{ colour.toLowerCase() }}
              </option>
            </select>
          </p>
        </div>
      </div>
    </template>
    <p v-else-if="state" class="mb-4">
      Slides look like the pages of the report. With a template of your organisation they have its masters, fonts and
      colours, and charts fit the body of one of its layouts.
    </p>
    <div class="flex gap-3">
      <button class="button button-strong" @click="field?.click()">
        {{ template ? 'Take another template' : 'Choose a template' }}
      </button>
      <button v-if="template" class="button" @click="remove">Make slides without it</button>
      <button class="button" @click="emit('close')">Close</button>
    </div>
    <input ref="field" class="hidden" type="file" accept=".pptx,.potx" aria-label="Template" @change="take" />
  </DialogSheet>
</template>
