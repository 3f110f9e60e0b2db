<script setup lang="ts">
import { t } from '../words'
import { partNames } from '../composables/settings-parts'
import { kindWords } from '../composables/kinds'
import BranchList from '../components/company/BranchList.vue'
import BrandDialog from '../components/begin/BrandDialog.vue'
import BrandIdentity from '../components/company/BrandIdentity.vue'
import BrandLook from '../components/company/BrandLook.vue'
import BrandNote from '../components/company/BrandNote.vue'
import BrandNumbers from '../components/company/BrandNumbers.vue'
import ClosedPeriods from '../components/company/ClosedPeriods.vue'
import CompanyTax from '../components/company/CompanyTax.vue'
import CustomerSettings from '../components/customers/CustomerSettings.vue'
import HouseSettings from '../components/company/HouseSettings.vue'
import BrandEnd from '../components/company/BrandEnd.vue'
import KindsList from '../components/company/KindsList.vue'
import MailAccounts from '../components/mail/MailAccounts.vue'
import OrderLists from '../components/company/OrderLists.vue'
import OwnFieldList from '../components/own-fields/OwnFieldList.vue'
import PdfView from '../components/paper/PdfView.vue'
import SendersList from '../components/mail/SendersList.vue'
import SettingsNav from '../components/company/SettingsNav.vue'
import SetUpGuide from '../components/company/SetUpGuide.vue'
import ShippingSettings from '../components/company/ShippingSettings.vue'
import StandingTexts from '../components/texts/StandingTexts.vue'
import VariantList from '../components/variants/VariantList.vue'
import EnclosureList from '../components/enclosures/EnclosureList.vue'
import StaffList from '../components/people/StaffList.vue'
import { useSession } from '../stores/session'
import { mayLeave } from '../composables/useUnsaved'
import { api, attempt } from '../composables/api'
import { useLive } from '../composables/useLive'
import { useToasts } from '../stores/toasts'
import type { BodyOf } from '../composables/api'
import { documentKinds, type DocumentKind } from '../../core/documents/kinds'
import { languages } from '../../core/money/format'
import type { BrandView, GuideStep } from '../contract'

/** Parts of the company, and parts of each brand: those have the true document beside them. */
const companyParts = [
  'Guide',
  'General',
  'Documents',
  'Orders',
  'Customers',
  'Shipping',
  'Standing texts',
  'Variants',
  'Enclosures',
  'Own fields',
  'Tax',
  'Periods',
  'Mail accounts',
  'People',
] as const
const brandParts = ['Identity', 'Branches', 'Design', 'Numbers', 'Email text', 'Senders'] as const
/** Those of a brand that show no document beside them. */
const listed: readonly Section[] = ['Branches', 'Senders']
const sections = [...companyParts, ...brandParts] as const
type Section = (typeof sections)[number]
const forSupervisors: readonly Section[] = ['Mail accounts', 'People', 'Senders']

/**
 * What has to stand before anything goes out: each brand's identity, logo, sender, numbers and email texts,
 * with the true paper beside it.
 */
const session = useSession()
const brands = shallowRef<BrandView[]>([])
const asked = useRoute().query
/** Who comes from a document finds what that document has. */
const activeId = ref<number | null>(Number(asked.brand) || null)
const wrong = ref('')
const sampleWrong = ref('')
const route = useRoute()
const section = ref<Section>(sections.find((one) => one === route.query.part) ?? 'Guide')
/** The address says the part, so that it can be gone back to. */
async function show(part: Section) {
  section.value = part
  if (part !== route.query.part) await navigateTo({ query: { part } }, { replace: true })
}
/** Another part or brand: what is not saved asks first. */
async function turnTo(part: Section) {
  await show(part === section.value || (await mayLeave()) ? part : section.value)
}
watch(
  () => route.query.part,
  (part) => {
    const other = sections.find((one) => one === part)
    if (other && other !== section.value) void turnTo(other)
  },
)
const ofBrand = computed(() => brandParts.some((one) => one === section.value))
async function turnToBrand(id: number) {
  if ((id === activeId.value && ofBrand.value) || !(await mayLeave())) return
  activeId.value = id
  if (!ofBrand.value) await show('Identity')
}
const mayShow = (part: Section) => session.may('supervisor') || !forSupervisors.includes(part)
const kind = ref<DocumentKind>(documentKinds.find((one) => one === asked.kind) ?? 'invoice')
async function turnToKind(other: DocumentKind) {
  if (other !== kind.value && (await mayLeave())) kind.value = other
}
/** Whose design and email text are shown: the brand's own (null), or those of a variant. */
const variant = ref<number | null>(Number(asked.variant) || null)
const kinds = documentKinds.map((value) => ({ value, words: kindWords(value, 'many') }))
const adding = ref(false)
const copying = shallowRef<BrandView>()
const steps = shallowRef<GuideStep[]>([])
const brand = computed(() => brands.value.find((one) => one.id === activeId.value))

async function load() {
  try {
    const guide = api.get('/api/guide')
    brands.value = await api.get('/api/brands', { query: { kind: kind.value } })
    activeId.value ??= brands.value[0]?.id ?? null
    steps.value = await guide
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
/** How often a sample was sent from here. */
const tries = ref(0)
async function toMe() {
  await attempt(async () => {
    const { to } = await api.post('/api/brands/{id}/to-me', {
      path: { id: activeId.value! },
      body: {
        kind: kind.value,
        variantId: variant.value ?? 0,
        ...(section.value === 'Email text' ? { email: emailOnScreen.value } : {}),
      },
    })
    tries.value++
    useToasts().say(t('company.aSampleIsOnIts', { to }))
  })
}

/** The design beside: of the variant where it has one, or else the brand's own. */
const design = computed(
  () => brand.value?.ofVariants.designs.find((one) => one.variantId === variant.value) ?? brand.value?.design,
)
const version = computed(() =>
  brand.value
    ? `${brand.value.version}-${design.value!.id}&kind=${encodeURIComponent(kind.value)}` +
      `&variantId=${variant.value ?? 0}`
    : '',
)
</script>

<template>
  <div class="page">
    <div class="split">
      <SettingsNav
        :section="section"
        :parts="companyParts.filter(mayShow)"
        :brand-parts="brandParts.filter(mayShow)"
        :of-brand="ofBrand"
        :brands="brands"
        :active-id="activeId"
        @turn="turnTo($event as Section)"
        @brand="turnToBrand"
        @add="adding = true"
      />
      <section v-if="brand || !ofBrand" class="left">
        <div class="bar">
          <strong>{{
            ofBrand && brand ? `${brand.name}: ${partNames[section]}` : partNames[section]
          }}</strong>
          <template v-if="ofBrand && brand && section === 'Identity' && session.may('supervisor')">
            <VBtn class="push" height="28" data-test="copy-brand" @click="copying = brand">{{
              t('common.copy')
            }}</VBtn>
            <BrandEnd :key="brand.id" :brand="brand" @kept="load" />
          </template>
        </div>
        <SetUpGuide v-if="section === 'Guide'" :steps="steps" @part="turnTo($event as Section)" />
        <HouseSettings v-else-if="section === 'General'" />
        <KindsList v-else-if="section === 'Documents'" />
        <CustomerSettings v-else-if="section === 'Customers'" />
        <OwnFieldList v-else-if="section === 'Own fields'" />
        <StandingTexts v-else-if="section === 'Standing texts'" />
        <VariantList v-else-if="section === 'Variants'" />
        <EnclosureList v-else-if="section === 'Enclosures'" />
        <ShippingSettings v-else-if="section === 'Shipping'" />
        <OrderLists v-else-if="section === 'Orders'" />
        <MailAccounts v-else-if="section === 'Mail accounts' && session.may('supervisor')" />
        <StaffList v-else-if="section === 'People' && session.may('supervisor')" />
        <CompanyTax v-else-if="section === 'Tax'" />
        <ClosedPeriods v-else-if="section === 'Periods'" />
        <template v-else-if="brand">
          <BrandLook
            v-if="section === 'Design'"
            :key="`l${brand.id}`"
            v-model:variant="variant"
            :brand="brand"
            :kind="kind"
            :kinds="kinds"
            @kind="kind = $event"
            @kept="load"
          />
          <BrandIdentity
            v-else-if="section === 'Identity'"
            :key="`i${brand.id}`"
            :brand="brand"
            @kept="load"
          />
          <BrandNumbers
            v-else-if="section === 'Numbers'"
            :key="`n${brand.id}${kind}${brand.series?.id}`"
            :brand="brand"
            :kind="kind"
            :kinds="kinds"
            @kind="turnToKind"
            @kept="load"
          />
          <BranchList v-else-if="section === 'Branches'" :key="`b${brand.id}`" :brand="brand" />
          <SendersList
            v-else-if="section === 'Senders' && session.may('supervisor')"
            :key="`s${brand.id}`"
            :brand="brand"
          />
          <BrandNote
            v-else-if="section === 'Email text'"
            :key="`c${brand.id}${kind}`"
            v-model:variant="variant"
            :brand="brand"
            :kind="kind"
            :kinds="kinds"
            :tries="tries"
            :begin-language="languages.find((one) => one === asked.language) ?? 'en'"
            @kind="turnToKind"
            @email="emailOnScreen = $event"
            @kept="load"
          />
        </template>
      </section>
      <aside
        v-if="brand && ofBrand && !listed.includes(section)"
        class="right"
        :aria-label="t('company.theBrandsDocument')"
      >
        <div class="bar">
          <strong>{{ section === 'Email text' ? t('common.theEmail') : design!.design.name }}</strong><span
            class="soft push"
            >{{
              section === 'Email text'
                ? t('company.asItWouldGoWith')
                : t('company.asItIsNowVersion', { version: design!.version })
            }}</span
          ><VBtn v-if="session.may('clerk')" height="28" data-test="sample-to-me" @click="toMe">{{
            t('common.emailItToMe')
          }}</VBtn>
        </div>
        <div v-if="section === 'Email text'" id="email-preview" />
        <p v-else-if="sampleWrong" class="notice stuck">{{ sampleWrong }}</p>
        <PdfView
          v-if="section !== 'Email text'"
          :url="`/api/brands/${brand.id}/sample?v=${version}`"
          :label="t('company.aDocumentOfBrand', { brand: brand.name })"
          @wrong="sampleWrong = $event"
          @pages="sampleWrong = ''"
        />
      </aside>
      <div v-if="wrong" class="empty">
        <strong>{{ t('common.notToBeSeen') }}</strong>{{ wrong }}
      </div>
    </div>
    <BrandDialog
      v-if="adding || copying"
      v-bind="copying ? { copyOf: copying } : {}"
      @leave="((adding = false), (copying = undefined))"
      @kept="load"
    />
  </div>
</template>

<style scoped>
#email-preview {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
}
</style>
