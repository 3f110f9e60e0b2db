<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said, saidWords } from '../../words/speech'
import RecordList from '../list/RecordList.vue'
import SenderDialog from './SenderDialog.vue'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { fetchSenders } from '../../calls/senders'
import { toldSender } from '../../../core/dispatch/sender'
import type { BrandView, SenderView } from '../../contract'

/** Who a brand's emails come from: the brand itself, and what comes from somebody else. */
const props = defineProps<{ brand: BrandView }>()
const session = useSession()
const may = computed(() => session.may('supervisor'))
const all = shallowRef<SenderView[]>()
const load = () =>
  attempt(async () => {
    all.value = (await fetchSenders()).senders
  })
onMounted(load)
useLive(['house'], () => void load())
const senders = computed(() => all.value?.filter((one) => one.brandId === props.brand.id))
const editing = shallowRef<SenderView | 'new'>()
const ofWhat = ({ kind, routineName }: SenderView) =>
  kind
    ? t('mail.allKinds2', { kinds: kindWords(kind, 'many') })
    : t('mail.whatRoutineNameMakes', { routineName })
const answers = ({ answersTo, replyTo }: SenderView) =>
  answersTo === 'brand' ? props.brand.replyTo : replyTo || said(`answers/${answersTo}`)
</script>

<template>
  <div class="body">
    <RecordList
      :rows="senders"
      :add="may ? t('mail.addSender') : ''"
      add-test="add-sender"
      columns="minmax(0, 1fr) minmax(0, 1.5fr) 80px"
      @add="editing = 'new'"
    >
      <template #intro>
        {{
          t('mail.brandWritesAsSenderNameSenderAddress', {
            brand: brand.name,
            senderName: brand.senderName,
            senderAddress: brand.senderAddress,
            replyTo: brand.replyTo,
          })
        }}
      </template>
      <template #row="{ row: sender }">
        <strong>{{ ofWhat(sender) }}</strong>
        <span class="what"
          ><span class="cut">{{
            t('mail.fromFromWords', { fromWords: saidWords(toldSender(sender, brand.senderName)) })
          }}</span
          ><span class="soft cut">{{
            t('mail.answersGoToSenderSender2', {
              sender: answers(sender),
              sender2: sender.mailAccountName
                ? t('mail.throughMailAccountName', { mailAccountName: sender.mailAccountName })
                : '',
            })
          }}</span></span
        >
        <VBtn v-if="may" height="30" data-test="open-sender" @click="editing = sender">{{
          t('common.open')
        }}</VBtn>
      </template>
      <template #empty>
        <strong>{{ t('mail.everythingComesFromTheBrand') }}</strong>{{ t('mail.addASenderWhereInvoices') }}
      </template>
    </RecordList>
    <SenderDialog
      v-if="editing"
      :brand="brand"
      :sender="editing === 'new' ? undefined : editing"
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
