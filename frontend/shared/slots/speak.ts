import { inject, provide, type InjectionKey } from 'vue'

/** Takes what was typed into a slot; gives a sentence where it is not understood. */
export type Speak = (slot: string, text: string) => Promise<string | null>

const KEY: InjectionKey<Speak> = Symbol('speak')
export const provideSpeak = (speak: Speak) => provide(KEY, speak)
export const useSpeak = () => inject(KEY, null)
