<script setup lang="ts">
import { computed } from 'vue'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Dataset, Pulse } from '../../shared/types'
import ChecksList from '../checks/ChecksList.vue'
import SourceList from '../../sources/SourceList.vue'
import ImportList from './ImportList.vue'
import SignatureField from '../edits/SignatureField.vue'
import type { Place } from '../types'
import { plural } from '../../shared/wording'

/** What a dataset is, what its checks say, and what was brought into it. */
const props = defineProps<{
  dataset: Dataset
  pulse: Pulse | null
  refused: string
  isOver: boolean
  /** counts what was taken back here */
  imports: number
}>()
defineEmits<{ show: [place: Place]; changed: [] }>()
const units = computed(() => [...new Set(props.dataset.measures.map(one => one.unit).filter(Boolean))].join(', '))
const about = computed(() =>
  [
    props.dataset.organisation,
    units.value,
    props.dataset.isList ? 'a list without periods' : `by ${props.dataset.grain}`,
  ]
    .filter(Boolean)
    .join(' · '),
)
const sign = computed(() =>
  props.pulse
    ? `${props.pulse.version}.${props.pulse.revision}.${props.imports}`
    : `${props.dataset.version}.${props.dataset.revision}.${props.imports}`,
)
</script>

<template>
  <aside
    class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
    aria-label="Dataset">
    <h1 class="font-serif text-[21px] leading-7 break-words">{{ dataset.name }}</h1>
    <p class="text-quiet">{{ about }}</p>
    <p class="text-quiet">{{ plural(dataset.facts, 'figure') }}{{ dataset.periods ? `, ${dataset.periods}` : '' }}</p>
    <p class="mb-6"><RouterLink class="link" :to="`/figures/${dataset.id}/settings`">Settings</RouterLink></p>
    <SentenceOfTrouble v-if="refused" class="mb-5" :says="refused" />
    <p v-if="isOver" class="mb-5 text-accent">Let go to read it into this dataset.</p>
    <ChecksList v-if="dataset.facts" :dataset="dataset" :sign="sign" @show="$emit('show', $event)" />
    <SourceList v-if="!dataset.isList" :dataset="dataset.id" :sign="sign" />
    <ImportList :dataset="dataset.id" :sign="sign" @changed="$emit('changed')" />
    <SignatureField class="mt-6" />
  </aside>
</template>
