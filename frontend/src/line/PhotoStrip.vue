<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import type { usePhotos } from './usePhotos'

/** Photos of one part: dropped, pasted from the camera, shown small; those not yet sent say so. */
const props = defineProps<{
  photos: Schemas['PhotoHead'][]
  part: string
  keeper: ReturnType<typeof usePhotos>
}>()
const emit = defineEmits<{ mark: [photo: Schemas['PhotoHead']] }>()
const session = useSession()
const picker = ref<HTMLInputElement | null>(null)
const over = ref(false)
const own = computed(() => props.photos.filter((each) => each.part === props.part))
const waits = computed(() => props.keeper.waiting.value.filter((each) => each.part === props.part))
const previews = ref<Record<string, string>>({})
watch(
  waits,
  (now) => {
    for (const each of now) previews.value[each.id] ??= URL.createObjectURL(each.picture)
  },
  { immediate: true },
)
onScopeDispose(() => Object.values(previews.value).forEach((url) => URL.revokeObjectURL(url)))
async function take(files: FileList | null | undefined): Promise<void> {
  for (const file of files ?? []) await props.keeper.add(file, props.part)
}
function drop(event: DragEvent): void {
  over.value = false
  void take(event.dataTransfer?.files)
}
function words(event: Event): string {
  return (event.target as HTMLInputElement).value
}
defineExpose({ open: () => picker.value?.click() })
</script>

<template>
  <section
    class="strip"
    :class="{ over }"
    aria-label="photos"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <figure v-for="photo in own" :key="photo.photo_id">
      <a :href="`/api/photos/${photo.photo_id}/picture`" target="_blank" rel="noopener"
        ><img :src="`/api/photos/${photo.photo_id}/thumbnail`" :alt="photo.caption || 'photo of the part'"
      /></a>
      <figcaption>
        <input
          :value="photo.caption"
          maxlength="160"
          aria-label="what the photo shows"
          placeholder="caption"
          @change="keeper.place(photo, { caption: words($event) })"
        />
        <button type="button" class="plain" @click="emit('mark', photo)">
          {{ photo.place_x === null ? 'mark' : 'marked' }}
        </button>
        <button v-if="session.may('delete')" type="button" class="plain" @click="keeper.remove(photo)">
          delete
        </button>
      </figcaption>
    </figure>
    <figure v-for="each in waits" :key="each.id" class="waits">
      <img :src="previews[each.id]" alt="photo not uploaded yet" />
      <figcaption class="att">saved on this device, not uploaded yet</figcaption>
    </figure>
    <div class="add">
      <input
        ref="picker"
        type="file"
        name="photo"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        multiple
        class="visually-hidden"
        aria-label="choose photos"
        @change="take(($event.target as HTMLInputElement).files)"
      />
      <button type="button" class="chip" @click="picker?.click()">
        take or choose a photo <kbd>Alt p</kbd>
      </button>
      <p class="faint">or drop one here</p>
      <p v-if="keeper.fault.value" class="stop" role="alert">{{ keeper.fault.value }}</p>
    </div>
  </section>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: flex-start;
  min-height: 120px;
}
.strip.over {
  outline: 2px dashed var(--action);
}
figure {
  width: 150px;
}
img {
  width: 150px;
  height: 104px;
  object-fit: cover;
  border: 1px solid var(--ink);
  display: block;
}
figcaption {
  display: flex;
  gap: 6px;
  font-size: 13px;
}
figcaption input {
  width: 88px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
}
.waits img {
  border-style: dashed;
  opacity: 0.75;
}
.add {
  display: grid;
  gap: 5px;
  font-size: 14px;
}
</style>
