<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import RecordList from '../list/RecordList.vue'
import MailDialog from './MailDialog.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { fetchMailAccounts, removeMailAccount } from '../../calls/mail-accounts'
import type { MailAccountView } from '../../contract'

/** The accounts through which email is sent; the first one is for every brand that names none. */
const session = useSession()
const accounts = shallowRef<MailAccountView[]>()
const load = () =>
  attempt(async () => {
    accounts.value = await fetchMailAccounts()
  })
onMounted(load)
useLive(['house'], () => void load())
const editing = shallowRef<MailAccountView | 'new'>()
const removing = shallowRef<MailAccountView>()
const usedBy = (account: MailAccountView, index: number) => {
  const named = account.brandIds.map((id) => session.house!.brands.find((one) => one.id === id)?.name ?? '')
  return named.length > 0
    ? named.join(', ')
    : index === 0
      ? t('mail.everyBrandWithoutItsOwn')
      : t('mail.noBrandYet')
}
const remove = () =>
  attempt(async () => {
    await removeMailAccount(removing.value!.id, removing.value!.version)
    useToasts().say(t('mail.theMailAccountRemovingIs', { removing: removing.value!.name }))
    removing.value = undefined
    await load()
  })
</script>

<template>
  <div class="body">
    <RecordList
      :rows="accounts"
      :add="t('mail.addMailAccount')"
      add-test="add-mail-account"
      columns="minmax(0, 1.4fr) minmax(0, 1fr) 170px"
      @add="editing = 'new'"
    >
      <template #intro>{{ t('mail.emailsAreHandedToThese') }}</template>
      <template #row="{ row: account, index }">
        <span class="what"
          ><strong>{{ account.name }}</strong
          ><span class="soft"
            >{{ account.host }}:{{ account.port
            }}{{ account.userName ? t('mail.asUserName', { userName: account.userName }) : '' }}</span
          ></span
        >
        <span>{{ usedBy(account, index) }}</span>
        <span class="acts"
          ><VBtn height="30" @click="editing = account">{{ t('common.open') }}</VBtn
          ><VBtn height="30" @click="removing = account">{{ t('mail.delete') }}</VBtn></span
        >
      </template>
      <template #empty>
        <strong>{{ t('mail.noMailAccountYet') }}</strong>{{ t('mail.emailsWaitUntilThereIs') }}
      </template>
    </RecordList>
    <MailDialog
      v-if="editing"
      :account="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="load"
    />
    <Ask
      v-if="removing"
      :model-value="true"
      :title="t('mail.deleteTheMailAccountRemoving', { removing: removing.name })"
      :go="t('mail.delete2')"
      danger
      @update:model-value="removing = undefined"
      @go="remove"
      ><p>
        {{ t('mail.itsPasswordIsDeletedToo') }}
      </p></Ask
    >
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
</style>
