<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Question } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { FORMS, read, written, type Bands } from '../../shared/slots/bands'

/** The bands that values are judged by: those of the figures, or numbers of the chart's own. */
const props = defineProps<{ text: string; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>]; keep: [bands: Bands] }>()
const fields = ref(written(props.question.bands))
const trouble = ref('')
watch(
  () => props.question.bands,
  bands => (fields.value = written(bands)),
)

function take(close: () => void) {
  const bands = read(fields.value.form, fields.value.numbers, fields.value.names)
  if (typeof bands === 'string') return void (trouble.value = bands)
  trouble.value = ''
  emit('change', { bands })
  close()
}
</script>

<template>
  <SlotSheet :text="text" name="Bands" says="bands" example="poor 60, fair 75, good 90" :width="300">
    <template #default="{ close }">
      <form class="space-y-2" @submit.prevent="take(close)">
        <fieldset>
          <legend class="text-quiet">The numbers are</legend>
          <label v-for="form in FORMS" :key="form.id" class="flex items-baseline gap-2">
            <input v-model="fields.form" type="radio" name="band-form" :value="form.id" />{{ form.label
            }}<span class="ml-auto text-[12px] text-quiet">{{ form.note }}</span>
          </label>
        </fieldset>
        <label class="block"
          >Numbers, from the lowest up<input v-model="fields.numbers" class="field mt-1 w-full" autocomplete="off"
        /></label>
        <label class="block"
          >Names, if you like<input
            v-model="fields.names"
            class="field mt-1 w-full"
            autocomplete="off"
            placeholder="poor, fair, good"
        /></label>
        <p v-if="question.bands" class="text-[12px] text-quiet">
          These are tried in this question only.
          <button
            v-if="!('percentOfTarget' in question.bands)"
            class="link"
            type="button"
            @click="(emit('keep', question.bands), close())">
            Keep them for all charts
          </button>
        </p>
        <p v-if="trouble" class="text-unfavourable-text" role="alert">{{ trouble }}</p>
        <div class="flex gap-2 pt-1">
          <button class="button button-strong" type="submit">Set</button>
          <button class="button" type="button" @click="(emit('change', { bands: undefined }), close())">
            Those of the figures
          </button>
        </div>
      </form>
    </template>
  </SlotSheet>
</template>
