<script setup lang="ts">
import { t } from '../../words'
import EnclosureDialog from './EnclosureDialog.vue'
import { limits, when, withWhat } from './where'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useNewest } from '../../composables/useNewest'
import { useSession } from '../../stores/session'
import { fetchEnclosures, type HangsOn } from '../../calls/enclosures'
import { sizeWords } from '../../../core/enclosures/mail-size'
import type { EnclosureView } from '../../contract'

/**
 * Files that hang on an order, a customer or an item: those that go along with its documents, and those that stay here.
 */
const props = defineProps<{ on: HangsOn }>()
const may = computed(() => useSession().may('clerk'))
const files = shallowRef<EnclosureView[]>([])
const newest = useNewest()
const load = () =>
  attempt(async () => {
    const found = await newest(() => fetchEnclosures(props.on))
    if (found) files.value = found.enclosures
  })
watch(() => props.on.order ?? props.on.customer ?? props.on.item, load, { immediate: true })
useLive(['house'], () => void load(), 300)
const none = computed(() => {
  if (props.on.item !== undefined) return t('enclosures.noFilesOfItem')
  return props.on.order === undefined ? t('enclosures.noFilesOfCustomer') : t('enclosures.noFilesOfOrder')
})
const editing = shallowRef<EnclosureView | 'new'>()
</script>

<template>
  <section class="files" :aria-label="t('enclosures.files')">
    <div class="top">
      <h2>{{ t('enclosures.files') }}</h2>
      <button v-if="may" type="button" class="word" data-test="hang-file" @click="editing = 'new'">
        {{ t('enclosures.addFile') }}
      </button>
    </div>
    <ul v-if="files.length">
      <li v-for="file in files" :key="file.id">
        <a class="cut" :href="`/api/enclosures/${file.id}/file`">{{ file.name }}</a>
        <span class="soft">{{ sizeWords(file.size) }}</span>
        <span class="soft">{{
          file.goes
            ? [t('enclosures.withWhat', { what: withWhat(file, undefined) }), when(file), limits(file)]
                .filter(Boolean)
                .join(' ')
            : t('enclosures.staysHere')
        }}</span>
        <button
          v-if="may"
          type="button"
          class="word"
          :data-test="`file-${file.name}`"
          @click="editing = file"
        >
          {{ t('paper.change') }}
        </button>
      </li>
    </ul>
    <p v-else class="soft">{{ none }}</p>
    <EnclosureDialog
      v-if="editing"
      :enclosure="editing === 'new' ? undefined : editing"
      :on="on"
      :groups="[]"
      @leave="editing = undefined"
      @kept="load"
    />
  </section>
</template>

<style scoped>
.top {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
h2 {
  font-size: inherit;
  font-weight: 400;
  color: var(--soft-ink);
  margin: 0;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 60px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
}
p {
  margin: 4px 0 0;
}
</style>
