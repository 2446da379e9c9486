import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'

export type Trade = Schemas['TradeAnswer']
export type Kind = Trade['kinds'][number]
const STORED = 'ample:trade'

/** The tables that the screens draw from: asked once, kept on this machine for when the server is away. */
export const useTrade = defineStore('trade', () => {
  const kept = localStorage.getItem(STORED)
  const tables = ref<Trade | null>(kept ? (JSON.parse(kept) as Trade) : null)
  const kinds = computed(() => new Map((tables.value?.kinds ?? []).map((kind) => [kind.kind, kind])))

  async function load(): Promise<void> {
    const { answer } = await resultOf(api.POST('/api/calc/trade', { body: {} }))
    if (!answer) return
    tables.value = answer
    localStorage.setItem(STORED, JSON.stringify(answer))
  }
  const kind = (name: string): Kind | undefined => kinds.value.get(name)
  const kindWords = (name: string): string => kind(name)?.words ?? name.replace(/_/g, ' ')
  return { tables, kinds, load, kind, kindWords }
})
