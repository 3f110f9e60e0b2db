<script setup lang="ts">
import Ask from '../frame/Ask.vue'
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
  return named.length > 0 ? named.join(', ') : index === 0 ? 'every brand without its own' : 'no brand yet'
}
const remove = () =>
  attempt(async () => {
    await removeMailAccount(removing.value!.id, removing.value!.version)
    useToasts().say(`The mail account “${removing.value!.name}” is gone.`)
    removing.value = undefined
    await load()
  })
</script>

<template>
  <div class="body">
    <div class="top">
      <h2>Mail accounts</h2>
      <VBtn variant="flat" class="go" data-test="add-mail-account" @click="editing = 'new'"
        >Add mail account</VBtn
      >
    </div>
    <p v-if="accounts?.length === 0" class="empty">
      <strong>No mail account yet</strong>Emails wait until there is one. Add the account that sends for your
      addresses.
    </p>
    <ul v-else>
      <li v-for="(account, index) in accounts" :key="account.id">
        <span
          ><strong>{{ account.name }}</strong
          ><br /><span class="soft"
            >{{ account.host }}:{{ account.port
            }}{{ account.userName ? `, as ${account.userName}` : '' }}</span
          ></span
        >
        <span>{{ usedBy(account, index) }}</span>
        <span class="acts"
          ><VBtn height="30" @click="editing = account">Open</VBtn
          ><VBtn height="30" @click="removing = account">Delete…</VBtn></span
        >
      </li>
    </ul>
    <MailDialog
      v-if="editing"
      :account="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="load"
    />
    <Ask
      v-if="removing"
      :model-value="true"
      :title="`Delete the mail account “${removing.name}”?`"
      go="Delete"
      danger
      @update:model-value="removing = undefined"
      @go="remove"
      ><p>
        Its password is deleted too. Brands that use it send through the first account that is left; without
        one their emails wait.
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
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1.4fr 1fr auto;
  gap: 14px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
