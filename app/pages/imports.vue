<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../words'
import { said } from '../words/speech'
import Ask from '../components/frame/Ask.vue'
import CheckField from '../components/fields/CheckField.vue'
import ImportFacts from '../components/imports/ImportFacts.vue'
import ImportMapping, { type Signs } from '../components/imports/ImportMapping.vue'
import ImportRows from '../components/imports/ImportRows.vue'
import RealNotice from '../components/frame/RealNotice.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useSession } from '../stores/session'
import { useToasts } from '../stores/toasts'
import { useFilters } from '../composables/useFilters'
import { api, attempt, sendFile } from '../composables/api'
import { useLive } from '../composables/useLive'
import { useMainKey } from '../composables/useMainKey'
import { plural, shortTime } from '../composables/format'
import type { Mapping } from '../../core/imports/mapping'
import { importSubjects, type ImportSubject } from '../../core/imports/subjects'
import type { ImportView } from '../contract'

/**
 * Files of records: taken, mapped with a sample beside each field, checked before anything is written, mended
 * on the spot, written, with a report by line.
 */
const session = useSession()
const toasts = useToasts()
const may = computed(() => session.may('clerk'))
const { filters, set } = useFilters({ of: 'orders', file: '' })
const files = shallowRef<ImportView[]>([])
const first = ref(true)
const field = ref<HTMLInputElement>()
const busy = ref(false)
const asking = ref(false)
const file = computed(() => files.value.find((one) => String(one.id) === filters.value.file))
const mapping = ref<Mapping>({})
const signs = ref<Signs>({ decimalSign: '.', dayOrder: 'day first' })
const wrongField = ref('')

async function load() {
  files.value = await api.get('/api/imports')
  first.value = false
}
/** Why nothing can be read in here; a refusal stays on the page. */
const wrong = ref('')
onMounted(async () => {
  try {
    await load()
  } catch (error) {
    wrong.value = (error as Error).message
  }
})
useLive(['import'], () => wrong.value || void attempt(load), 300)
watch(
  () => file.value?.id,
  () => {
    if (!file.value) return
    mapping.value = structuredClone(toRaw(file.value.mapping))
    signs.value = { decimalSign: file.value.decimalSign, dayOrder: file.value.dayOrder }
    wrongField.value = ''
  },
  { immediate: true },
)

async function read(event: Event) {
  const [chosen] = (event.target as HTMLInputElement).files ?? []
  if (!chosen) return
  busy.value = true
  await attempt(async () => {
    const { id } = await sendFile<{ id: number }>('/api/imports', chosen, { subject: filters.value.of })
    await load()
    set({ file: String(id) })
  })
  if (field.value) field.value.value = ''
  busy.value = false
}

const count = (state: 'right' | 'wrong' | 'written' | 'unchanged') => file.value?.counts[state] ?? 0
const rows = computed(() => count('right') + count('wrong') + count('written') + count('unchanged'))
const started = computed(
  () => count('written') + count('unchanged') > 0 || ['writing', 'done'].includes(file.value?.state ?? ''),
)
const dirty = computed(
  () =>
    !!file.value &&
    (file.value.state === 'new' ||
      JSON.stringify([mapping.value, signs.value]) !==
        JSON.stringify([
          file.value.mapping,
          { decimalSign: file.value.decimalSign, dayOrder: file.value.dayOrder },
        ])),
)
async function check() {
  busy.value = true
  wrongField.value = ''
  try {
    await api.post('/api/imports/{id}/check', {
      path: { id: file.value!.id },
      body: { mapping: mapping.value, ...signs.value },
    })
    await load()
  } catch (error) {
    wrongField.value = (error as Error).message
  }
  busy.value = false
}
/** Old orders mail nobody unless that is asked for. */
const tellRoutines = ref(false)
async function write() {
  busy.value = true
  await attempt(async () => {
    await api.post('/api/imports/{id}/write', {
      path: { id: file.value!.id },
      body: { tellRoutines: tellRoutines.value },
    })
    toasts.say(t('imports.theRowsAreBeingImported'))
    await load()
  })
  busy.value = false
  asking.value = false
}
useMainKey(() => {
  if (!file.value || !may.value) return
  if (dirty.value) void check()
  else if (count('right') > 0) asking.value = true
})

const subjects = importSubjects.map((value) => ({ value, words: said(`import/${value}`) }))
const fileWords = (one: ImportView) => `${one.name}, ${one.subject}, ${shortTime(one.madeAt)}`
const fileChoices = computed(() =>
  files.value.map((one) => ({ value: String(one.id), words: fileWords(one) })),
)
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('imports.imports')">
        <div class="bar">
          <h1 class="title">{{ t('imports.imports') }}</h1>
          <span class="sentence soft"
            >{{ t('imports.read') }}
            <WordPicker
              :label="t('imports.whatToRead')"
              :words="filters.of"
              :choices="subjects"
              :value="filters.of"
              @pick="set({ of: $event as ImportSubject })" />
            {{ t('imports.fromAFile')
            }}<template v-if="files.length"
              ><I18nT keypath="imports.orLookAtFile" scope="global"
                ><template #file
                  ><WordPicker
                    :label="t('common.file')"
                    :words="file ? file.name : t('imports.anEarlierOne')"
                    :choices="fileChoices"
                    :value="filters.file"
                    @pick="set({ file: $event })" /></template></I18nT></template
          ></span>
          <VBtn
            v-if="may"
            class="push"
            height="30"
            :disabled="busy || wrong !== ''"
            data-test="read-file"
            @click="field?.click()"
            >{{ t('common.importAFile') }}</VBtn
          >
          <input
            ref="field"
            type="file"
            class="file"
            accept=".csv,.txt,.tsv,text/csv"
            :aria-label="t('imports.aCSVFile')"
            data-test="import-file"
            @change="read"
          />
        </div>
        <div v-if="!file" class="empty">
          <strong>{{ wrong ? t('imports.notForYou') : first ? '…' : t('imports.noFileYet') }}</strong><span
            v-if="wrong"
            class="notice stuck"
            >{{ wrong }}</span
          >{{ t('imports.customersItemsOrdersOpenItems') }}
        </div>
        <template v-else>
          <ImportFacts :file="file" :started="started" />
          <div class="body">
            <ImportMapping
              v-model="mapping"
              v-model:signs="signs"
              :file="file"
              :disabled="!may || started"
              :own="session.house!.ownFields"
            />
            <p v-if="wrongField" class="notice stuck" role="alert">{{ wrongField }}</p>
          </div>
          <RealNotice :what="t('imports.whatIsImportedHereIs')" />
          <footer v-if="may" class="foot-bar">
            <span class="soft">{{
              t('imports.columnsByMadeBy', {
                columns: plural(file.columns.length, 'column'),
                madeBy: file.madeBy,
              })
            }}</span><span class="push" />
            <VBtn v-if="rows" :href="`/api/imports/${file.id}/csv`" data-test="import-report">{{
              t('imports.reportAsCSV')
            }}</VBtn>
            <VBtn
              v-if="file.bankFileId && count('right') === 0"
              variant="flat"
              class="go"
              :to="`/accounts/bank?file=${file.bankFileId}`"
              data-test="to-movements"
              >{{ t('imports.lookAtTheMovements') }}</VBtn
            >
            <VBtn
              v-else-if="file.subject === 'open items' && file.state === 'done'"
              variant="flat"
              class="go"
              to="/accounts/taken-over"
              data-test="to-taken-over"
              >{{ t('imports.compareWithTheEarlierProgram') }}</VBtn
            >
            <VBtn
              v-else-if="dirty && !started"
              variant="flat"
              class="go"
              :disabled="busy || file.state === 'checking'"
              data-test="check-import"
              @click="check"
              >{{ t('imports.checkEveryRow') }}</VBtn
            >
            <VBtn
              v-else
              variant="flat"
              class="go"
              :disabled="busy || count('right') === 0 || ['checking', 'writing'].includes(file.state)"
              data-test="write-import"
              @click="asking = true"
              >{{ t('imports.importRightRows', { right: count('right') }) }}</VBtn
            >
          </footer>
        </template>
      </section>
      <aside class="right" :aria-label="t('imports.rows')">
        <ImportRows v-if="file && rows" :key="file.id" :file="file" :may="may" />
        <div v-else class="empty">
          <strong>{{ t('imports.noRowsYet') }}</strong>{{ t('imports.rowsAppearHereAfterThe') }}
        </div>
      </aside>
    </div>
    <Ask
      v-model="asking"
      :title="t('imports.importRowsOfFile', { rows: plural(count('right'), 'row'), file: file?.subject })"
      :go="t('imports.importRight', { right: count('right') })"
      :busy="busy"
      @go="write"
      ><p>
        {{ t('imports.whatIsThereAlreadyAnd')
        }}<template v-if="file?.subject === 'orders'"> {{ t('imports.theirStatusesAreTakenOver') }}</template
        ><template v-else-if="file?.subject === 'bank movements'">
          {{ t('imports.theyAreMatchedWithWhat') }}</template
        ><template v-else-if="file?.subject === 'open items'">
          {{ t('imports.theyAreOwedFromThen') }}</template
        ><template v-if="count('wrong')">
          {{
            t('imports.wrongWrongCountHereTo', {
              wrong: count('wrong'),
              count: count('wrong') === 1 ? t('imports.rowStays') : t('imports.rowsStay'),
            })
          }}</template
        >
      </p>
      <CheckField v-if="file?.subject === 'orders'" v-model="tellRoutines" data-test="tell-routines">
        {{ t('imports.letRoutinesActOnThese') }}</CheckField
      ></Ask
    >
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.file {
  display: none;
}
.body {
  flex: 1;
  overflow: auto;
  padding: 10px 14px;
}
p.notice {
  margin: 0;
}
.sentence {
  margin: 0;
}
</style>
