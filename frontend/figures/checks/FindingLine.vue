<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Dataset } from '../../shared/types'
import type { Finding, Place } from '../types'
import { grouped } from '../../shared/wording'

const props = defineProps<{ finding: Finding; dataset: Dataset }>()
const emit = defineEmits<{ show: [place: Place]; accept: [reason: string]; withdraw: [] }>()
const isListing = ref(false)
const isAccepting = ref(false)
const reason = ref('')
const field = ref<HTMLInputElement | null>(null)
const MOST = 8

const isQuiet = computed(() => props.finding.holds || props.finding.accepted !== null)
const places = computed(() => props.finding.places.slice(0, MOST))

function named(place: Place): string {
  const period = props.dataset.periodList.find(one => one.key === place.period)?.label ?? place.period
  return [place.members.filter(Boolean).join(', '), period, place.scenario].filter(Boolean).join(', ')
}
function see() {
  const only = props.finding.places[0]
  if (props.finding.places.length === 1 && only) emit('show', only)
  else isListing.value = !isListing.value
}
async function startAccepting() {
  isAccepting.value = !isAccepting.value
  await nextTick()
  field.value?.focus()
}
function accept() {
  if (!reason.value.trim()) return
  emit('accept', reason.value.trim())
  isAccepting.value = false
  reason.value = ''
}
</script>

<template>
  <li class="flex gap-2" :data-check="finding.id">
    <span
      class="w-3 shrink-0 text-center"
      :class="isQuiet ? 'text-favourable-text' : 'font-semibold text-unfavourable-text'"
      role="img"
      :aria-label="finding.holds ? 'holds' : finding.accepted ? 'accepted' : 'does not hold'"
      >{{ isQuiet ? '✓' : '!' }}</span
    >
    <div class="min-w-0 flex-1 break-words">
      <p>
        <span :class="finding.accepted ? 'text-quiet' : ''">{{ finding.says }}.</span>{{ ' ' }}
        <template v-if="!finding.holds">
          <button
            v-if="finding.places.length"
            class="link mr-2"
            :aria-expanded="finding.places.length > 1 ? isListing : undefined"
            @click="see">
            See {{ finding.places.length === 1 ? 'it' : 'them' }}</button
          ><button v-if="!finding.accepted" class="link" :aria-expanded="isAccepting" @click="startAccepting">
            Accept
          </button>
        </template>
      </p>
      <p v-if="finding.accepted" class="text-[12px] text-quiet">
        Accepted{{ finding.accepted.who ? ` by ${finding.accepted.who}` : '' }}: {{ finding.accepted.reason }}
        <button class="link" @click="emit('withdraw')">Withdraw</button>
      </p>
      <ul v-if="isListing" class="my-1 text-[12px]">
        <li v-for="(place, i) in places" :key="i">
          <button class="link text-left" @click="emit('show', place)">{{ named(place) }}</button>
          <span v-if="place.amount" class="text-quiet">: {{ grouped(place.amount) }}</span>
        </li>
        <li v-if="finding.count > places.length" class="text-quiet">and {{ finding.count - places.length }} more</li>
      </ul>
      <form
        v-if="isAccepting"
        class="mt-1.5 space-y-1.5"
        @submit.prevent="accept"
        @keydown.escape="isAccepting = false">
        <input
          ref="field"
          v-model="reason"
          class="field w-full"
          maxlength="500"
          aria-label="Reason"
          placeholder="Why is it right?" />
        <button class="button" :disabled="!reason.trim()">Accept it until it changes</button>
      </form>
    </div>
  </li>
</template>
