<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Breakdown, Filter } from '../types'
import { chosenOf, depthOf, isGroup, leavesOf, withChosen } from './memberFilter'
import GatherLink from './GatherLink.vue'
import SlotSheet from './SlotSheet.vue'
import { useSpeak } from './speak'
import { holds } from '../search'

/** Members of a breakdown: several, all but some, whole groups. */
const props = defineProps<{
  text: string
  breakdown: Pick<Breakdown, 'name' | 'members' | 'parents' | 'leaves'>
  where: Filter[]
  canGather?: boolean
}>()
const speak = useSpeak()
/** Where changes are gathered, what is typed only finds members. */
const speaks = computed(() => speak !== null && props.canGather)
const emit = defineEmits<{ change: [where: Filter[] | undefined]; gather: [] }>()
const sought = ref('')
const MOST = 200

const chosen = computed(() => chosenOf(props.breakdown, props.where))
const isAll = computed(() =>
  props.breakdown.members.every(one => isGroup(props.breakdown, one) || chosen.value.has(one)),
)
const found = computed(() => props.breakdown.members.filter(member => holds(member, sought.value)))
const isIn = (member: string) => leavesOf(props.breakdown, member).every(one => chosen.value.has(one))

function set(members: Set<string>) {
  const where = withChosen(props.breakdown, props.where, members)
  emit('change', where.length ? where : undefined)
}

/** From "all", a first click means this one alone. */
function toggle(member: string) {
  const own = leavesOf(props.breakdown, member)
  if (isAll.value) return set(new Set(own))
  const without = [...chosen.value].filter(one => !own.includes(one))
  set(new Set(isIn(member) ? without : [...without, ...own]))
}
function turn() {
  const all = props.breakdown.members.filter(one => !isGroup(props.breakdown, one))
  set(new Set(all.filter(one => !chosen.value.has(one))))
}

function step(event: KeyboardEvent, by: number) {
  const buttons = [...((event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('input, .choice') ?? [])]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  buttons[Math.max(0, Math.min(buttons.length - 1, at + by))]?.focus()
}
</script>

<template>
  <SlotSheet
    v-model:typed="sought"
    :text="text"
    :name="breakdown.name"
    :says="speaks ? `members:${breakdown.name}` : undefined"
    example="one and another">
    <div @keydown.down.prevent="step($event, 1)" @keydown.up.prevent="step($event, -1)">
      <input
        v-if="!speaks && breakdown.members.length > 6"
        v-model="sought"
        class="field mb-2 w-full"
        type="search"
        :aria-label="`Find in ${breakdown.name}`"
        placeholder="Find"
        @keydown.enter.prevent="found.length && toggle(found[0] ?? '')" />
      <div class="flex border-b border-hairline">
        <button
          class="choice -ml-3 flex-1"
          :class="isAll ? 'choice-chosen' : ''"
          role="checkbox"
          :aria-checked="isAll"
          @click="set(new Set(breakdown.members))">
          <span class="w-4" aria-hidden="true">{{ isAll ? '✓' : '' }}</span>All of {{ breakdown.name }}
        </button>
        <button v-if="!isAll" class="link px-1" @click="turn">All but these</button>
      </div>
      <button
        v-for="member in found.slice(0, MOST)"
        :key="member"
        class="choice -mx-3 w-[calc(100%+24px)]"
        :class="[!isAll && isIn(member) ? 'choice-chosen' : '', isGroup(breakdown, member) ? 'font-semibold' : '']"
        role="checkbox"
        :aria-checked="isIn(member)"
        :style="{ paddingLeft: `${12 + (sought ? 0 : depthOf(breakdown, member) * 14)}px` }"
        @click="toggle(member)">
        <span class="w-4 shrink-0" aria-hidden="true">{{ !isAll && isIn(member) ? '✓' : '' }}</span><span
          class="min-w-0 break-words"
          >{{ member || '(blank)' }}</span
        ><span v-if="isGroup(breakdown, member)" class="ml-auto shrink-0 font-normal text-quiet">group</span>
      </button>
      <p v-if="!found.length" class="py-2 text-quiet">Nothing of that name.</p>
      <p v-else-if="found.length > MOST" class="py-2 text-quiet">
        And {{ found.length - MOST }} more: type to find them.
      </p>
      <GatherLink v-if="canGather" @gather="emit('gather')" />
    </div>
  </SlotSheet>
</template>
