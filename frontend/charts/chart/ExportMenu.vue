<script setup lang="ts">
import { computed, ref } from 'vue'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { says } from '../../shared/api'
import { notCopied } from '../../shared/clipboard'
import type { Chart, Recipe, WorkingsTable } from '../../shared/types'
import { useKeys } from '../../shared/useKeys'
import { useToast } from '../../shared/useToast'
import { copyChart, pictureAddress, savePicture, saveRecipe, saveWorkings } from './exports'

const props = defineProps<{ dataset: number; recipe: Recipe; chart: Chart | null; workings: WorkingsTable }>()
const { tell } = useToast()
const button = ref<{ $el: HTMLElement } | null>(null)

async function run(action: () => Promise<string>) {
  try {
    tell(await action())
  } catch (error) {
    tell(notCopied(error) ?? says(error))
  }
}

const saved = async (name: Promise<string>) => `Saved ${await name}`
const groups = computed(() => [
  [
    {
      label: 'Picture as SVG',
      note: 'sharp at any size',
      does: () => saved(savePicture(props.dataset, props.recipe, 'svg')),
    },
    {
      label: 'Picture as PDF',
      note: 'vectors and real text',
      does: () => saved(savePicture(props.dataset, props.recipe, 'pdf')),
    },
    {
      label: 'Slide as PPTX',
      note: 'shapes to edit',
      does: () => saved(savePicture(props.dataset, props.recipe, 'pptx')),
    },
    ...[1, 2, 3].map(scale => ({
      label: `Picture as PNG, ${scale}×`,
      note: ['for the screen', 'for slides', 'for print'][scale - 1] ?? '',
      does: () => saved(savePicture(props.dataset, props.recipe, 'png', scale)),
    })),
    { label: 'Copy picture and table', note: 'c', does: () => copyChart(props.dataset, props.recipe, props.workings) },
    ...(props.chart
      ? [
          {
            label: 'Address of the picture',
            note: 'always current',
            does: async () => (
              await navigator.clipboard.writeText(pictureAddress(props.chart?.id ?? 0)),
              'The address is copied. What links to it shows the chart as it is.'
            ),
          },
        ]
      : []),
  ],
  [
    {
      label: 'Workings as CSV',
      note: 'exact numbers',
      does: () => saved(saveWorkings(props.dataset, props.recipe, 'csv')),
    },
    {
      label: 'Workings as XLSX',
      note: 'with live formulas',
      does: () => saved(saveWorkings(props.dataset, props.recipe, 'xlsx')),
    },
  ],
  [
    {
      label: 'Recipe as JSON',
      note: 'question, kind, finish',
      does: async () => `Saved ${saveRecipe(props.recipe, props.chart?.name)}`,
    },
    {
      label: 'Copy the recipe',
      note: 'to paste it on Charts',
      does: async () => (
        await navigator.clipboard.writeText(JSON.stringify(props.recipe, null, 2)),
        'The recipe is copied. It can be pasted on Charts, also for another dataset.'
      ),
    },
  ],
])
const copyAll = () => run(() => copyChart(props.dataset, props.recipe, props.workings))
useKeys({ e: () => button.value?.$el.click() })
defineExpose({ copyAll })
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton ref="button" class="button button-strong" title="e">Export</MenuButton>
    <MenuItems class="sheet right-0 w-80 py-1.5">
      <div
        v-for="(choices, i) in groups"
        :key="i"
        :class="i ? 'mt-1.5 border-t border-hairline pt-1.5' : ''"
        role="none">
        <MenuItem v-for="choice in choices" :key="choice.label">
          <button class="choice" @click="run(choice.does)">
            <span class="flex-1">{{ choice.label }}</span><span class="text-quiet">{{ choice.note }}</span>
          </button>
        </MenuItem>
      </div>
    </MenuItems>
  </Menu>
</template>
