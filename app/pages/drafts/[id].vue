<script setup lang="ts">
import { t } from '../../words'
import { kindTitle, kindWords } from '../../composables/kinds'
import DocumentPane from '../../components/paper/DocumentPane.vue'
import DraftForm from '../../components/drafts/DraftForm.vue'
import DraftSend, { type SendAnswer } from '../../components/drafts/DraftSend.vue'
import PreparedPane from '../../components/paper/PreparedPane.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useNewest } from '../../composables/useNewest'
import { api, attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useRuns } from '../../stores/runs'
import { useForm } from '../../composables/useForm'
import { useMainKey } from '../../composables/useMainKey'
import { newLine, writtenLines } from '../../components/orders/order-form'
import type { DraftLine } from '../../../core/documents/draft'
import type { DraftView } from '../../contract'
import type { Leaf } from '../../components/paper/LeafTabs.vue'

/** An invoice or credit note being written, with its true paper beside it; kept, it waits in To check. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const draft = shallowRef<DraftView>()
const wrong = ref('')
const wrongField = ref('')
const busy = ref(false)
const leaf = ref<Leaf>('Document')
const asking = ref(false)

const { taxRates } = session.house!.company
/** An invoice that nothing is written in yet begins with a line to type in. */
function formOf(view: DraftView | undefined) {
  const facts = view && structuredClone(view.facts)
  if (facts?.lines.length === 0 && view?.state === 'open' && view.kind === 'invoice')
    facts.lines.push(newLine(taxRates) as DraftLine)
  return { facts, earlierDateOk: view?.paper?.earlierDateOk ?? false }
}
const { form, base, dirty, save } = useForm(() => draft.value, formOf, t('drafts.theDraft'))
const isOpen = computed(() => draft.value?.state === 'open')
const isBlank = computed(() => draft.value?.kind === 'invoice' && draft.value.facts.lines.length === 0)
const disabled = computed(() => !session.may('clerk') || !isOpen.value)

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => api.get('/api/drafts/{id}', { path: { id: id.value } }))
    if (found) draft.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(
  id,
  () => {
    draft.value = undefined
    void load()
  },
  { immediate: true },
)
useLive(['line', 'register'], () => void load(), 250)

async function keep() {
  const { facts, earlierDateOk } = form.value
  if (!base.value || !facts || !dirty.value || busy.value) return
  const { version, brandId, customerId } = base.value
  busy.value = true
  wrongField.value = ''
  try {
    await save(() =>
      api.patch('/api/drafts/{id}', {
        path: { id: id.value },
        body: {
          version,
          facts: { ...facts, lines: writtenLines(facts.lines) },
          brandId,
          customerId,
          earlierDateOk,
        },
      }),
    )
    await load()
    toasts.say(t('drafts.theDraftIsSavedIts'))
  } catch (error) {
    wrongField.value = (error as Error).message
  }
  busy.value = false
}

async function send(answer: SendAnswer) {
  busy.value = true
  await attempt(async () => {
    const preparedId = draft.value!.paper!.id
    const { revision, changes } = await api.get('/api/prepared/{id}', { path: { id: preparedId } })
    if (changes) await api.post('/api/prepared/{id}/seen', { path: { id: preparedId }, body: { revision } })
    const papers = [{ id: preparedId, revision }]
    const { runId } = await api.post('/api/prepared/send', { body: { ...answer, papers } })
    await useRuns().watchRun(runId)
  })
  busy.value = false
  asking.value = false
}
useMainKey(() => void keep())
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('drafts.noSuchDraft') }}</strong>{{ wrong }}
      <NuxtLink to="/register">{{ t('drafts.toTheRegister') }}</NuxtLink>
    </div>
    <div v-else-if="draft && form.facts" class="split">
      <section class="left" :aria-label="t('drafts.draftKind', { kind: kindWords(draft.kind) })">
        <div class="bar">
          <h1 class="title">
            {{ isOpen ? t('drafts.kindADraft', { kind: kindTitle(draft.kind) }) : kindTitle(draft.kind) }}
          </h1>
          <strong class="cut">{{ draft.customerName }}</strong>
          <NuxtLink v-if="draft.orderId" class="mono push" :to="`/orders/${draft.orderId}`">{{
            draft.orderNumber
          }}</NuxtLink>
        </div>
        <DraftForm v-model="form" :draft="draft" :disabled="disabled" :dirty="dirty" :wrong="wrongField" />
        <footer class="foot-bar">
          <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span>
          <span v-else-if="draft.document" class="tag go">{{ t('drafts.issued') }}</span>
          <span v-else-if="draft.state === 'dropped'" class="tag">{{ t('drafts.thrownAway') }}</span>
          <span v-else-if="isBlank" class="soft">{{ t('common.nothingWrittenYet') }}</span>
          <span v-else class="soft">{{
            t('drafts.inDraft', {
              draft: draft.paper?.state === 'prepared' ? t('common.toCheck') : t('common.toSend'),
            })
          }}</span>
          <span class="push" />
          <VBtn
            v-if="!disabled && !isBlank && draft.paper?.state === 'prepared'"
            :disabled="dirty || !!draft.paper.problem || busy"
            data-test="send-paper"
            @click="asking = true"
            >{{ t('drafts.sendIt') }}</VBtn
          >
          <VBtn
            v-if="!disabled"
            variant="flat"
            class="go"
            :disabled="!dirty || busy"
            data-test="keep-draft"
            @click="keep"
            >{{ t('common.save') }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('drafts.theDraftsDocument')">
        <DocumentPane v-if="draft.document" :id="draft.document.id" v-model:leaf="leaf" />
        <div v-else-if="!draft.paper || isBlank" class="empty">
          <strong>{{ t('common.noDocumentYet') }}</strong>{{ t('drafts.writeALineAndSave') }}
        </div>
        <PreparedPane v-else :id="draft.paper.id" v-model:leaf="leaf" in-draft />
      </aside>
      <DraftSend
        v-if="asking"
        v-model="asking"
        :draft="draft"
        :currency="form.facts!.currency"
        :busy="busy"
        @send="send"
      />
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
  white-space: nowrap;
}
</style>
