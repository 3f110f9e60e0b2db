<script setup lang="ts">
import DeliveryTable from './DeliveryTable.vue'
import GroupDialog from './GroupDialog.vue'
import WordsList from '../company/WordsList.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useForm } from '../../composables/useForm'
import { useWrongs } from '../../composables/useWrongs'
import { useLive } from '../../composables/useLive'
import { useMainKey } from '../../composables/useMainKey'
import { attempt } from '../../composables/api'
import { plural } from '../../composables/format'
import { languageWords } from '../../composables/languages'
import { changeDefaults, fetchDefaults } from '../../calls/customers'
import { termsWords } from '../../../core/documents/terms'
import type { DocumentKind } from '../../../core/documents/kinds'
import { suppliedRoles, type Preference } from '../../../core/preferences/recipients'

/** How documents reach customers as a rule, the groups that differ from it, and what contacts are for. */
type Saved = Awaited<ReturnType<typeof fetchDefaults>>
const session = useSession()
const may = computed(() => session.may('supervisor'))
const saved = shallowRef<Saved>({ preferences: {}, roles: [], groups: [] })
const load = () =>
  attempt(async () => {
    saved.value = await fetchDefaults()
  })
onMounted(load)
useLive(['house', 'customer'], () => void load())
const defaultsOf = ({ preferences, roles }: Saved) => ({ preferences: { ...preferences }, roles: [...roles] })
const { form, base, dirty, save, take } = useForm(() => saved.value, defaultsOf, 'the customers’ defaults')
const { busy, wrong, wrongs, acting } = useWrongs(['now.roles'])
function setPreference(kind: DocumentKind, preference: Preference) {
  const { [kind]: _before, ...others } = form.value.preferences
  form.value.preferences = Object.keys(preference).length > 0 ? { ...others, [kind]: preference } : others
}
const keep = () =>
  acting(async () => {
    await save(() => changeDefaults({ before: defaultsOf(base.value), now: { ...form.value } }))
    await load()
    await session.load()
    useToasts().say('How customers get their documents is saved, from the next one on.')
  })
useMainKey(() => dirty.value && !busy.value && void keep())
const editing = shallowRef<Saved['groups'][number] | 'new'>()
const givenBy = (group: Saved['groups'][number]) =>
  [
    group.language && languageWords[group.language],
    group.currency,
    group.terms && termsWords(group.terms),
    Object.keys(group.preferences).length > 0 && 'delivery of its own',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div class="body">
    <h2>How documents go as a rule</h2>
    <p class="soft">It holds for every customer where neither the customer nor its group says otherwise.</p>
    <DeliveryTable
      :own="form.preferences"
      level="the company"
      :beneath="[]"
      :may="may"
      @change="setPreference"
    />
    <h2>Roles of contacts</h2>
    <p class="soft">What the people of a customer are for. Routines and deliveries write to a role.</p>
    <WordsList
      v-model="form.roles"
      what="role"
      :fixed="suppliedRoles"
      :disabled="!may"
      :wrong="Object.entries(wrongs).find(([field]) => /roles/.test(field))?.[1] ?? ''"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <div v-if="may" class="buttons">
      <VBtn v-if="dirty" @click="take">Discard changes</VBtn>
      <VBtn
        variant="flat"
        class="go"
        :disabled="!dirty"
        :loading="busy"
        data-test="keep-defaults"
        @click="keep"
        >Save</VBtn
      >
    </div>
    <h2 class="top">
      Groups
      <VBtn v-if="may" height="30" data-test="add-group" @click="editing = 'new'">Add group</VBtn>
    </h2>
    <p class="soft">
      What a group has is given to new customers in it; its delivery holds for all of them that say nothing
      else.
    </p>
    <ul>
      <li v-for="group in saved.groups" :key="group.id">
        <span
          ><strong>{{ group.name }}</strong
          ><br /><span class="soft">{{ givenBy(group) || 'nothing of its own yet' }}</span></span
        >
        <NuxtLink :to="`/customers?group=${encodeURIComponent(group.name)}`">{{
          plural(group.customers, 'customer')
        }}</NuxtLink>
        <VBtn v-if="may" height="30" :data-test="`group-${group.name}`" @click="editing = group">Open</VBtn>
      </li>
      <li v-if="saved.groups.length === 0" class="soft">None yet. For example Schools.</li>
    </ul>
    <GroupDialog
      v-if="editing"
      :group="editing === 'new' ? undefined : editing"
      :house="saved.preferences"
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
  max-width: 860px;
}
h2 {
  margin: 22px 0 2px;
}
h2:first-child {
  margin-top: 0;
}
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--rule);
  padding-top: 14px;
}
.buttons {
  display: flex;
  gap: 10px;
  margin-top: 14px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
li {
  display: grid;
  grid-template-columns: 1fr 130px 80px;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
</style>
