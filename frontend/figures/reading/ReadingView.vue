<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import { useIncoming } from '../incoming/useIncoming'
import ReadingDesk from './ReadingDesk.vue'
import type { Reading } from '../types'

document.title = 'Bring in figures – Keen Margin'
const route = useRoute()
const router = useRouter()
const { reading } = useIncoming()
const problem = ref('')

/** After a reload the file still lies on the server's shelf: it is looked at again. */
async function fetchAgain() {
  if (reading.value) return
  if (!route.query.id) return void router.replace('/figures')
  try {
    reading.value = await ask<Reading>('GET', `/readings/${route.query.id}`)
  } catch (error) {
    problem.value = says(error)
  }
}
void fetchAgain()
</script>

<template>
  <ReadingDesk v-if="reading" :key="`${reading.id} ${route.query.id}`" />
  <template v-else>
    <TopBar area="figures" />
    <SentenceOfTrouble v-if="problem" class="m-8 max-w-2xl" :says="problem" />
  </template>
</template>
