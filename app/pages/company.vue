<script setup lang="ts">
import BrandIdentity from '../components/company/BrandIdentity.vue'
import BrandLook from '../components/company/BrandLook.vue'
import BrandNote from '../components/company/BrandNote.vue'
import BrandNumbers from '../components/company/BrandNumbers.vue'
import ClosedPeriods from '../components/company/ClosedPeriods.vue'
import CompanyTax from '../components/company/CompanyTax.vue'
import HouseSettings from '../components/company/HouseSettings.vue'
import PdfView from '../components/paper/PdfView.vue'
import SetUpGuide from '../components/company/SetUpGuide.vue'
import { useSession } from '../stores/session'
import { mayLeave } from '../composables/useUnsaved'
import { api, attempt } from '../composables/api'
import { useLive } from '../composables/useLive'
import { useToasts } from '../stores/toasts'
import type { BodyOf } from '../composables/api'
import { documentKinds, kindFacts, type DocumentKind } from '../../core/documents/kinds'
import type { BrandView, GuideStep } from '../contract'

type Section = (typeof sections)[number]
const sections = ['Guide', 'Identity', 'Look', 'Numbers', 'Cover note', 'Tax', 'Periods', 'House'] as const

/**
 * What has to stand before anything goes out: each brand's identity, logo, sender, numbers and email texts,
 * with the true paper beside it.
 */
const session = useSession()
const brands = shallowRef<BrandView[]>([])
const activeId = ref<number | null>(null)
const wrong = ref('')
const sampleWrong = ref('')
const route = useRoute()
const section = ref<Section>(sections.find((one) => one === route.query.part) ?? 'Guide')
watch(
  () => route.query.part,
  (part) => {
    section.value = sections.find((one) => one === part) ?? section.value
  },
)
/** Another part or brand: what is not saved asks first. */
async function turnTo(part: Section) {
  if (part !== section.value && (await mayLeave())) section.value = part
}
async function turnToBrand(id: number) {
  if (id !== activeId.value && (await mayLeave())) activeId.value = id
}
const kind = ref<DocumentKind>('invoice')
async function turnToKind(other: DocumentKind) {
  if (other !== kind.value && (await mayLeave())) kind.value = other
}
const kinds = documentKinds.map((value) => ({ value, words: kindFacts[value].many }))
const steps = shallowRef<GuideStep[]>([])
const brand = computed(() => brands.value.find((one) => one.id === activeId.value))

async function load() {
  try {
    brands.value = await api.get('/api/brands', { query: { kind: kind.value } })
    steps.value = await api.get('/api/guide')
    activeId.value ??= brands.value[0]?.id ?? null
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
onMounted(load)
useLive(['house'], () => void load())
watch(kind, () => void load())

/** What stands in the email's fields, kept or not. */
const emailOnScreen = shallowRef<BodyOf<'/api/brands/{id}/to-me', 'post'>['email']>()
async function toMe() {
  await attempt(async () => {
    const { to } = await api.post('/api/brands/{id}/to-me', {
      path: { id: activeId.value! },
      body: { kind: kind.value, ...(section.value === 'Cover note' ? { email: emailOnScreen.value } : {}) },
    })
    useToasts().say(`A sample is on its way to ${to}, with its email.`)
  })
}

const missing = (one: BrandView) =>
  [
    !one.taxNumber && 'tax number',
    one.banks.length === 0 && 'bank account',
    !one.design?.design.pictures.logo && 'logo',
    !one.series && 'number series',
    one.notes.length === 0 && 'cover note',
  ]
    .filter(Boolean)
    .join(', ')
const version = computed(() =>
  brand.value ? `${brand.value.version}-${brand.value.design.id}&kind=${encodeURIComponent(kind.value)}` : '',
)
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="brands" aria-label="Brands">
        <div class="bar"><h1 class="title">Company</h1></div>
        <button
          v-for="one in brands"
          :key="one.id"
          type="button"
          class="brand"
          :class="{ here: one.id === activeId }"
          :aria-current="one.id === activeId"
          @click="turnToBrand(one.id)"
        >
          <strong>{{ one.name }}</strong>
          <span v-if="missing(one)" class="tag stuck">lacks {{ missing(one) }}</span>
          <span v-else class="tag go">ready to go out</span>
        </button>
        <p class="soft hint">
          A change applies to papers from now on. Issued ones keep what they were printed with; prepared ones
          are built anew and marked.
        </p>
        <p v-if="!session.may('supervisor')" class="soft hint">Only a supervisor changes these.</p>
      </section>
      <section v-if="brand" class="left">
        <div class="bar parts" role="tablist" aria-label="Parts of the brand">
          <button
            v-for="one in sections"
            :key="one"
            type="button"
            role="tab"
            :aria-selected="section === one"
            class="part"
            :class="{ here: section === one }"
            @click="turnTo(one)"
          >
            {{ one }}
          </button>
        </div>
        <SetUpGuide v-if="section === 'Guide'" :steps="steps" @part="turnTo($event as Section)" />
        <BrandLook
          v-else-if="section === 'Look'"
          :key="`l${brand.id}`"
          :brand="brand"
          :kind="kind"
          :kinds="kinds"
          @kind="kind = $event"
          @kept="load"
        />
        <HouseSettings v-else-if="section === 'House'" />
        <CompanyTax v-else-if="section === 'Tax'" />
        <ClosedPeriods v-else-if="section === 'Periods'" />
        <BrandIdentity v-else-if="section === 'Identity'" :key="`i${brand.id}`" :brand="brand" @kept="load" />
        <BrandNumbers
          v-else-if="section === 'Numbers'"
          :key="`n${brand.id}${kind}${brand.series?.id}`"
          :brand="brand"
          :kind="kind"
          :kinds="kinds"
          @kind="turnToKind"
          @kept="load"
        />
        <BrandNote
          v-else
          :key="`c${brand.id}${kind}`"
          :brand="brand"
          :kind="kind"
          :kinds="kinds"
          @kind="turnToKind"
          @email="emailOnScreen = $event"
          @kept="load"
        />
      </section>
      <aside v-if="brand" class="right" aria-label="The brand's paper">
        <div class="bar">
          <strong>{{ section === 'Cover note' ? 'The email' : brand.design.design.name }}</strong><span
            class="soft push"
            >{{
              section === 'Cover note'
                ? 'as it would go with the sample'
                : `as it is now · version ${brand.design.version}`
            }}</span
          ><VBtn v-if="session.may('clerk')" height="28" data-test="sample-to-me" @click="toMe"
            >Send one to me</VBtn
          >
        </div>
        <div v-if="section === 'Cover note'" id="email-preview" />
        <p v-else-if="sampleWrong" class="notice stuck">{{ sampleWrong }}</p>
        <PdfView
          v-if="section !== 'Cover note'"
          :url="`/api/brands/${brand.id}/sample?v=${version}`"
          :label="`A paper of ${brand.name}`"
          @wrong="sampleWrong = $event"
          @pages="sampleWrong = ''"
        />
      </aside>
      <div v-if="wrong" class="empty"><strong>Not to be seen</strong>{{ wrong }}</div>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: 16px;
}
.brands {
  flex: 0 0 220px;
  background: var(--paper);
  border-right: 1px solid var(--rule);
}
.brand {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 4px;
  width: 100%;
  text-align: left;
  padding: 11px 14px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  cursor: pointer;
  color: inherit;
}
.brand.here {
  background: var(--ledger);
  border-left-color: var(--peg);
}
.brand .tag {
  white-space: normal;
}
.hint {
  padding: 14px;
  font-size: 13px;
}
#email-preview {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
}
/* all parts stand beside the paper at 1280 pixels */
.parts {
  gap: 2px;
  padding-left: 8px;
}
.part {
  white-space: nowrap;
  border: 0;
  background: none;
  font: inherit;
  font-weight: 650;
  padding: 5px 7px;
  border-radius: 4px;
  cursor: pointer;
  color: var(--ink);
}
.part.here {
  background: var(--ledger-deep);
}
</style>
