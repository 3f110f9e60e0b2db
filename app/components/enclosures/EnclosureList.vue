<script setup lang="ts">
import { t } from '../../words'
import RecordList from '../list/RecordList.vue'
import EnclosureDialog from './EnclosureDialog.vue'
import { when, withWhat } from './where'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useSession } from '../../stores/session'
import { fetchDefaults } from '../../calls/customers'
import { fetchEnclosures } from '../../calls/enclosures'
import { sizeWords } from '../../../core/enclosures/mail-size'
import type { EnclosureView } from '../../contract'

/** Standing files of the house: what, with which documents, and from when to when. */
const session = useSession()
const may = computed(() => session.may('supervisor'))
const files = shallowRef<EnclosureView[]>()
const groups = shallowRef<{ id: number; name: string }[]>([])
const load = () =>
  attempt(async () => {
    ;[files.value, groups.value] = await Promise.all([
      fetchEnclosures({}).then((found) => found.enclosures),
      fetchDefaults().then((found) => found.groups),
    ])
  })
onMounted(load)
useLive(['house'], () => void load())
const editing = shallowRef<EnclosureView | 'new'>()
const groupOf = (file: EnclosureView) => groups.value.find((one) => one.id === file.groupId)?.name
</script>

<template>
  <div class="body">
    <RecordList
      :rows="files"
      :add="may ? t('enclosures.addFile') : ''"
      add-test="add-enclosure"
      columns="minmax(0, 1.3fr) minmax(0, 1fr) 260px 80px"
      @add="editing = 'new'"
    >
      <template #intro>{{ t('enclosures.intro') }}</template>
      <template #row="{ row: file }">
        <span class="what"
          ><a class="cut" :href="`/api/enclosures/${file.id}/file`">{{ file.name }}</a
          ><span class="soft">{{ sizeWords(file.size) }}</span></span
        >
        <span>{{ withWhat(file, groupOf(file)) }}</span>
        <span class="soft"
          ><span v-if="!file.goes" class="tag wait">{{ t('enclosures.notGoing') }}</span>
          {{ when(file) }}</span
        >
        <VBtn v-if="may" height="30" :data-test="`enclosure-${file.name}`" @click="editing = file">{{
          t('common.open')
        }}</VBtn>
      </template>
      <template #empty>
        <strong>{{ t('enclosures.none') }}</strong>{{ t('enclosures.noneHelp') }}
      </template>
    </RecordList>
    <EnclosureDialog
      v-if="editing"
      :enclosure="editing === 'new' ? undefined : editing"
      :on="{}"
      :groups="groups"
      @leave="editing = undefined"
      @kept="load"
    />
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
</style>
