import { ref } from 'vue'
import { defineStore } from 'pinia'

/** Long work on the server: a request that a process of its own answers. */
export interface Job {
  id: string
  state: 'waiting' | 'working' | 'ended'
  says: string
  phase: string
  done: number
  of: number | null
  /** of the answer, once it has ended */
  status: number | null
  answer: unknown
  /** address of the file that is the answer instead */
  file: string | null
}

const EVERY = 400

const pause = (milliseconds: number) => new Promise(resolve => window.setTimeout(resolve, milliseconds))

/** All that is being waited for, on whichever page. */
export const useJobs = defineStore('jobs', () => {
  const jobs = ref<Job[]>([])

  /**
   * Waits until a job has ended; where it is listed it is shown meanwhile, and can be stopped.
   *
   * @param renew asks how far the job has come
   */
  async function ended(job: Job, renew: (id: string) => Promise<Job>, isListed = true): Promise<Job> {
    if (isListed) jobs.value = [...jobs.value, job]
    try {
      let now = job
      while (now.state !== 'ended') {
        await pause(EVERY)
        now = await renew(job.id)
        jobs.value = jobs.value.map(one => (one.id === now.id ? now : one))
      }
      return now
    } finally {
      jobs.value = jobs.value.filter(one => one.id !== job.id)
    }
  }

  return { jobs, ended }
})
