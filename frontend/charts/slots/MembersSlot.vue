<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Filter } from '../../shared/types'
import SlotSheet from './SlotSheet.vue'

const props = defineProps<{ text: string; breakdown: { name: string; members: string[] }; where: Filter[] }>()
const emit = defineEmits<{ change: [where: Filter[] | undefined] }>()
const sought = ref('')
const MOST = 200

const chosen = computed(() => {
  const filter = props.where.find((filter) => filter.field === props.breakdown.name)
  if (!filter) return new Set(props.breakdown.members)
  if (filter.in) return new Set(filter.in)
  return new Set(props.breakdown.members.filter((member) => !filter.notIn?.includes(member)))
})
const isAll = computed(() => chosen.value.size === props.breakdown.members.length)
const found = computed(() =>
  props.breakdown.members.filter((member) => member.toLowerCase().includes(sought.value.trim().toLowerCase())),
)

function set(members: string[]) {
  const others = props.where.filter((filter) => filter.field !== props.breakdown.name)
  const left = props.breakdown.members.filter((member) => !members.includes(member))
  if (!left.length || !members.length) emit('change', others.length ? others : undefined)
  else
    emit('change', [
      ...others,
      left.length * 2 < members.length
        ? { field: props.breakdown.name, notIn: left }
        : { field: props.breakdown.name, in: members },
    ])
}

/** From "all", a first click means this one alone. */
function toggle(member: string) {
  if (isAll.value) return set([member])
  set(
    props.breakdown.members.filter((other) => (other === member ? !chosen.value.has(other) : chosen.value.has(other))),
  )
}

function step(event: KeyboardEvent, by: number) {
  const buttons = [...((event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('input, .choice') ?? [])]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  buttons[Math.max(0, Math.min(buttons.length - 1, at + by))]?.focus()
}
</script>

<template>
  <SlotSheet :text="text" :name="breakdown.name">
    <div @keydown.down.prevent="step($event, 1)" @keydown.up.prevent="step($event, -1)">
      <input
        v-if="breakdown.members.length > 6"
        v-model="sought"
        class="field mb-2 w-full"
        type="search"
        :aria-label="`Find in ${breakdown.name}`"
        placeholder="Find"
        @keydown.enter.prevent="found.length && toggle(found[0] ?? '')"
      />
      <button
        class="choice -mx-3 w-[calc(100%+24px)] border-b border-hairline"
        :class="isAll ? 'choice-chosen' : ''"
        role="checkbox"
        :aria-checked="isAll"
        @click="set(breakdown.members)"
      >
        <span class="w-4" aria-hidden="true">{{ isAll ? '✓' : '' }}</span>All of {{ breakdown.name }}
      </button>
      <button
        v-for="member in found.slice(0, MOST)"
        :key="member"
        class="choice -mx-3 w-[calc(100%+24px)]"
        :class="!isAll && chosen.has(member) ? 'choice-chosen' : ''"
        role="checkbox"
        :aria-checked="chosen.has(member)"
        @click="toggle(member)"
      >
        <span class="w-4 shrink-0" aria-hidden="true">{{ !isAll && chosen.has(member) ? '✓' : '' }}</span><span
          class="min-w-0 break-words"
          >{{ member || '(blank)' }}</span
        >
      </button>
      <p v-if="!found.length" class="py-2 text-quiet">Nothing of that name.</p>
      <p v-else-if="found.length > MOST" class="py-2 text-quiet">
        And {{ found.length - MOST }} more: type to find them.
      </p>
    </div>
  </SlotSheet>
</template>
