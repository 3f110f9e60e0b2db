<script setup lang="ts">
import { t } from '../../words'
import { partNames } from '../../composables/settings-parts'
import { findEntries } from '../../help/entries'
import { useSession } from '../../stores/session'
import type { BrandView } from '../../contract'

/** The parts of Settings, those of each brand, and a search among them by what clerks call things. */
const props = defineProps<{
  section: string
  parts: readonly string[]
  brandParts: readonly string[]
  ofBrand: boolean
  brands: readonly BrandView[]
  activeId: number | null
}>()
const emit = defineEmits<{ turn: [part: string]; brand: [id: number]; add: [] }>()
const session = useSession()
const looked = ref('')
const found = computed(() =>
  findEntries(looked.value, session.may).filter((entry) => entry.what === 'Setting'),
)
function open(to: string) {
  looked.value = ''
  emit('turn', new URLSearchParams(to.split('?')[1]).get('part')!)
}
const missing = (one: BrandView) =>
  [
    !one.taxNumber && t('company.taxNumber'),
    one.banks.length === 0 && t('company.bankAccount'),
    !one.design?.design.pictures.logo && t('company.logoWord'),
    !one.series && t('company.numberSeries'),
    one.notes.length === 0 && t('company.emailText'),
  ]
    .filter(Boolean)
    .join(', ')
const nav = ref<HTMLElement>()
/** The part that is open stands in sight, also where a link or F1 led to it. */
function reveal() {
  nav.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
}
watch([() => props.section, () => props.activeId], () => void nextTick(reveal))
onMounted(reveal)
</script>

<template>
  <nav ref="nav" class="brands" :aria-label="t('common.settings')">
    <div class="bar">
      <h1 class="title">{{ t('common.settings') }}</h1>
    </div>
    <input
      v-model="looked"
      type="search"
      class="look-for"
      :placeholder="t('company.findASetting')"
      :aria-label="t('company.findASetting')"
      data-test="find-setting"
    />
    <template v-if="looked.trim()">
      <button
        v-for="one in found"
        :key="one.key"
        type="button"
        class="part"
        data-test="found-setting"
        @click="open(one.to)"
      >
        {{ one.words }}
      </button>
      <p v-if="found.length === 0" class="soft hint">{{ t('company.noSettingIsCalledSo') }}</p>
    </template>
    <button
      v-for="one in looked.trim() ? [] : parts"
      :key="one"
      type="button"
      class="part"
      :class="{ here: section === one }"
      :aria-current="section === one"
      @click="emit('turn', one)"
    >
      {{ partNames[one] }}
    </button>
    <h2 v-if="!looked.trim()" class="soft">{{ t('company.brands') }}</h2>
    <template v-for="one in looked.trim() ? [] : brands" :key="one.id">
      <button
        type="button"
        class="brand"
        :class="{ here: ofBrand && one.id === activeId }"
        :aria-expanded="one.id === activeId"
        @click="emit('brand', one.id)"
      >
        <strong>{{ one.name }}</strong>
        <span v-if="one.retired" class="tag">{{ t('company.retired') }}</span>
        <span v-else-if="missing(one)" class="tag stuck">{{
          t('company.lacksOne', { one: missing(one) })
        }}</span>
      </button>
      <template v-if="one.id === activeId">
        <button
          v-for="part in brandParts"
          :key="part"
          type="button"
          class="part inner"
          :class="{ here: section === part }"
          :aria-current="section === part"
          @click="emit('turn', part)"
        >
          {{ partNames[part] }}
        </button>
      </template>
    </template>
    <button
      v-if="session.may('supervisor')"
      type="button"
      class="word add"
      data-test="add-brand"
      @click="emit('add')"
    >
      {{ t('company.brand') }}
    </button>
    <p class="soft hint">
      {{ t('company.aChangeAppliesToDocuments') }}
    </p>
    <p v-if="!session.may('supervisor')" class="soft hint">{{ t('company.onlyASupervisorChangesThese') }}</p>
  </nav>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.brands {
  flex: 0 0 220px;
  background: var(--paper);
  border-right: 1px solid var(--rule);
}
.brands {
  overflow: auto;
}
.look-for {
  width: calc(100% - 28px);
  margin: 8px 14px;
  padding: 5px 9px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  font: inherit;
  color: inherit;
  background: var(--paper);
}
a.part {
  text-decoration: none;
}
h2 {
  font-size: var(--small);
  padding: 14px 14px 4px;
}
.brand,
.part {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 4px;
  width: 100%;
  text-align: left;
  padding: 7px 14px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  cursor: pointer;
  color: inherit;
}
.part.inner {
  padding-left: 28px;
}
.part.here,
.part:hover,
.brand:hover {
  background: var(--ledger);
}
.part.here {
  border-left-color: var(--peg);
  font-weight: 650;
}
.brand .tag {
  white-space: normal;
}
.add {
  margin: 8px 14px 0;
}
.hint {
  padding: 14px 14px 0;
  margin: 0;
  font-size: var(--small);
}
</style>
