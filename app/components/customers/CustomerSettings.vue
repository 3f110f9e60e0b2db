<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
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
import { toldTerms } from '../../../core/documents/terms'
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
const { form, base, dirty, save, take } = useForm(
  () => saved.value,
  defaultsOf,
  t('customers.theCustomersDefaults'),
)
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
    useToasts().say(t('customers.howCustomersGetTheirDocuments'))
  })
useMainKey(() => dirty.value && !busy.value && void keep())
const editing = shallowRef<Saved['groups'][number] | 'new'>()
const givenBy = (group: Saved['groups'][number]) =>
  [
    group.language && languageWords[group.language],
    group.currency,
    group.terms && saidWords(toldTerms(group.terms)),
    Object.keys(group.preferences).length > 0 && t('customers.deliveryOfItsOwn'),
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div class="body">
    <h2>{{ t('customers.howDocumentsGoAsA') }}</h2>
    <p class="soft">{{ t('customers.itHoldsForEveryCustomer') }}</p>
    <DeliveryTable
      :own="form.preferences"
      level="the company"
      :beneath="[]"
      :may="may"
      @change="setPreference"
    />
    <h2>{{ t('customers.rolesOfContacts') }}</h2>
    <p class="soft">{{ t('customers.whatThePeopleOfA') }}</p>
    <WordsList
      v-model="form.roles"
      :what="t('customers.role')"
      :fixed="suppliedRoles"
      :disabled="!may"
      :wrong="Object.entries(wrongs).find(([field]) => /roles/.test(field))?.[1] ?? ''"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <div v-if="may" class="buttons">
      <VBtn v-if="dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
      <VBtn
        variant="flat"
        class="go"
        :disabled="!dirty"
        :loading="busy"
        data-test="keep-defaults"
        @click="keep"
        >{{ t('common.save') }}</VBtn
      >
    </div>
    <h2 class="top">
      <I18nT keypath="customers.groupsAddGroup" scope="global"
        ><template #addGroup
          ><VBtn v-if="may" height="30" data-test="add-group" @click="editing = 'new'">{{
            t('customers.addGroup')
          }}</VBtn></template
        ></I18nT
      >
    </h2>
    <p class="soft">
      {{ t('customers.whatAGroupHasIs') }}
    </p>
    <ul>
      <li v-for="group in saved.groups" :key="group.id">
        <span
          ><strong>{{ group.name }}</strong
          ><br /><span class="soft">{{ givenBy(group) || t('customers.nothingOfItsOwnYet') }}</span></span
        >
        <NuxtLink :to="`/customers?group=${encodeURIComponent(group.name)}`">{{
          plural(group.customers, 'customer')
        }}</NuxtLink>
        <VBtn v-if="may" height="30" :data-test="`group-${group.name}`" @click="editing = group">{{
          t('common.open')
        }}</VBtn>
      </li>
      <li v-if="saved.groups.length === 0" class="soft">{{ t('customers.noneYetForExampleSchools') }}</li>
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
