<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { onClickOutside } from '@vueuse/core'
import { withArticle } from '../../shared/wording'

/** What can be done with the amounts that are selected. */
const props = defineProps<{
  says: string
  count: number
  /** periods that a spread goes over */
  over: number
  fixed: string | null
  canSpread: boolean
  canTrace: boolean
  by: string | null
}>()
const emit = defineEmits<{
  fill: [text: string]
  spread: [amount: string, by: 'even' | 'prior year']
  clear: []
  trace: []
  add: [name: string]
}>()
const open = ref<'' | 'fill' | 'spread' | 'add'>('')
const text = ref('')
const like = ref<'even' | 'prior year'>('even')
const sheet = ref<HTMLElement | null>(null)
const field = ref<HTMLInputElement | null>(null)
onClickOutside(sheet, () => (open.value = ''))

const label = computed(
  () =>
    ({ fill: 'Value of each', spread: 'Amount to spread', add: `Name of the new ${props.by ?? ''}`, '': '' })[
      open.value
    ],
)

async function show(what: 'fill' | 'spread' | 'add') {
  open.value = open.value === what ? '' : what
  text.value = ''
  await nextTick()
  field.value?.focus()
}
function take() {
  if (!text.value.trim()) return
  if (open.value === 'fill') emit('fill', text.value.trim())
  else if (open.value === 'spread') emit('spread', text.value.trim(), like.value)
  else if (open.value === 'add') emit('add', text.value.trim())
  open.value = ''
}
</script>

<template>
  <div class="mb-2 flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1" role="toolbar" aria-label="Selected amounts">
    <p v-if="says" class="min-w-0 truncate" aria-live="polite">{{ says }}</p>
    <p v-if="fixed && count" class="min-w-0 text-quiet">{{ fixed }}</p>
    <div ref="sheet" class="relative flex items-center gap-4" @keydown.escape.stop="open = ''">
      <template v-if="!fixed && count">
        <button class="link" :aria-expanded="open === 'fill'" @click="show('fill')">Fill</button>
        <button v-if="canSpread" class="link" :aria-expanded="open === 'spread'" @click="show('spread')">Spread</button>
        <button class="link" @click="emit('clear')">Clear</button>
      </template>
      <button v-if="canTrace" class="link" title="s" @click="emit('trace')">Where it came from</button>
      <button v-if="by" class="link" :aria-expanded="open === 'add'" @click="show('add')">
        Add {{ withArticle(by) }}
      </button>
      <form v-if="open" class="sheet top-full left-0 mt-1 w-72 space-y-2 p-3" @submit.prevent="take">
        <label class="block"
          ><span class="label mb-1 block break-words">{{ label }}</span
          ><input
            ref="field"
            v-model="text"
            class="field w-full"
            :class="open === 'add' ? '' : 'text-right'"
            maxlength="200"
        /></label>
        <fieldset v-if="open === 'spread'" class="space-y-1">
          <legend class="sr-only">How it is spread</legend>
          <label class="flex items-center gap-2"
            ><input v-model="like" class="accent-accent" type="radio" value="even" />evenly over
            {{ over }} periods</label
          >
          <label class="flex items-center gap-2"
            ><input v-model="like" class="accent-accent" type="radio" value="prior year" />as the prior year was</label
          >
        </fieldset>
        <button class="button button-strong" :disabled="!text.trim()">
          {{
            open === 'fill'
              ? count === 1
                ? 'Set it'
                : `Set ${count} amounts`
              : open === 'spread'
                ? 'Spread it'
                : 'Add it'
          }}
        </button>
      </form>
    </div>
  </div>
</template>
