<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Filter } from '../../shared/types'
import GatherLink from '../../shared/slots/GatherLink.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import type { Report } from '../types'
import { holds } from '../../shared/search'

/** Members of any breakdown that the charts have; a filter of each. */
const props = defineProps<{ text: string; breakdowns: Report['breakdowns']; where: Filter[]; isGathering: boolean }>()
const emit = defineEmits<{ change: [where: Filter[]]; gather: [] }>()
const sought = ref('')
const MOST = 60

const filterOf = (name: string) => props.where.find(one => one.field === name)
const found = computed(() =>
  props.breakdowns.flatMap(breakdown => {
    const members = breakdown.members.filter(member => holds(`${breakdown.name} ${member}`, sought.value))
    return members.length ? [{ ...breakdown, members: members.slice(0, MOST), more: members.length - MOST }] : []
  }),
)
function isIn(name: string, member: string) {
  const filter = filterOf(name)
  return filter?.in ? filter.in.includes(member) : filter?.notIn ? !filter.notIn.includes(member) : false
}
function toggle(name: string, member: string) {
  const others = props.where.filter(one => one.field !== name)
  const filter = filterOf(name)
  const key = filter?.notIn ? 'notIn' : 'in'
  const list = filter?.[key] ?? []
  const next = list.includes(member) ? list.filter(one => one !== member) : [...list, member]
  emit('change', next.length ? [...others, { field: name, [key]: next }] : others)
}
const clear = (name: string) =>
  emit(
    'change',
    props.where.filter(one => one.field !== name),
  )
function turn(name: string) {
  const filter = filterOf(name)
  if (!filter) return
  const others = props.where.filter(one => one.field !== name)
  emit('change', [...others, filter.in ? { field: name, notIn: filter.in } : { field: name, in: filter.notIn ?? [] }])
}
</script>

<template>
  <SlotSheet :text="text" name="Filter" :width="320">
    <input
      v-model="sought"
      class="field mb-2 w-full"
      type="search"
      aria-label="Find a member"
      placeholder="Find a member" />
    <section v-for="breakdown in found" :key="breakdown.name" class="mb-2" :aria-label="breakdown.name">
      <div class="flex items-baseline gap-3 border-b border-hairline">
        <h3 class="label flex-1">{{ breakdown.name }}</h3>
        <button v-if="filterOf(breakdown.name)" class="link text-[12px]" @click="turn(breakdown.name)">
          {{ filterOf(breakdown.name)?.in ? 'All but these' : 'Only these' }}
        </button>
        <button v-if="filterOf(breakdown.name)" class="link text-[12px]" @click="clear(breakdown.name)">All</button>
      </div>
      <button
        v-for="member in breakdown.members"
        :key="member"
        class="choice -mx-3 w-[calc(100%+24px)]"
        :class="isIn(breakdown.name, member) ? 'choice-chosen' : ''"
        role="checkbox"
        :aria-checked="isIn(breakdown.name, member)"
        @click="toggle(breakdown.name, member)">
        <span class="w-4 shrink-0" aria-hidden="true">{{ isIn(breakdown.name, member) ? '✓' : '' }}</span><span
          class="min-w-0 break-words"
          >{{ member || '(blank)' }}</span
        >
      </button>
      <p v-if="breakdown.more > 0" class="py-1 text-quiet">And {{ breakdown.more }} more: type to find them.</p>
    </section>
    <p v-if="!breakdowns.length" class="text-quiet">The charts of this report have nothing to filter by yet.</p>
    <GatherLink v-if="!isGathering" @gather="emit('gather')" />
  </SlotSheet>
</template>
