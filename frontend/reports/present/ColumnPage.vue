<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useElementVisibility } from '@vueuse/core'
import PageSheet from '../page/PageSheet.vue'
import { useReadPage } from './useReportPages'

/** A page in a column; drawn when it comes near. */
const props = defineProps<{ report: number; page: string; sign: string; width: number }>()
const place = ref<HTMLElement | null>(null)
const isNear = useElementVisibility(place, { rootMargin: '800px 0px' })
const wasNear = ref(false)
watch(isNear, is => (wasNear.value ||= is))
const asked = computed(() => (wasNear.value ? props.page : ''))
const { value: drawn, problem } = useReadPage(
  props.report,
  asked,
  () => props.sign,
  () => props.width,
)
</script>

<template>
  <div ref="place" class="border-b-8 border-paper" :style="{ minHeight: drawn ? undefined : '70vh' }">
    <p v-if="problem" class="p-4 text-unfavourable-text" role="alert">{{ problem }}</p>
    <PageSheet v-if="drawn" :page="drawn" :zoom="1" />
  </div>
</template>
