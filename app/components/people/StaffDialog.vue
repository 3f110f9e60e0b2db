<script setup lang="ts">
import { t } from '../../words'
import { said } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { changeStaff, invite } from '../../calls/staff'
import { startOfRole, startPages } from '../../../core/house/start-pages'
import type { StaffView } from '../../contract'

/** Invites somebody, or changes name, role and brands. */
const props = defineProps<{ person: StaffView | undefined }>()
const emit = defineEmits<{ leave: []; kept: []; invited: [name: string, code: string | null] }>()
const session = useSession()
const form = reactive({
  name: props.person?.name ?? '',
  email: props.person?.email ?? '',
  role: props.person?.role ?? ('clerk' as StaffView['role']),
  brandIds: [...(props.person?.brandIds ?? [])],
  startPage: props.person?.startPage ?? ('' as StaffView['startPage']),
})
const { busy, wrong, wrongs, acting } = useWrongs(['name', 'email'])
const roles = [
  { value: 'clerk', words: t('people.clerkWritesSendsAndBooks') },
  { value: 'supervisor', words: t('people.supervisorAlsoSetsUp') },
  { value: 'reader', words: t('people.readerOnlyLooks') },
] as const
const pages = computed(() => [
  {
    value: '' as const,
    words: t('people.byTheRoleStartPages', { startPages: said(`page/${startOfRole[form.role]}`) }),
  },
  ...startPages.map((value) => ({ value, words: said(`page/${value}`) })),
])
const brands = computed(() => session.house!.brands)
const toggle = (id: number, on: boolean) => {
  form.brandIds = on ? [...form.brandIds, id] : form.brandIds.filter((one) => one !== id)
}
async function keep() {
  let code: string | null = null
  const { email, ...facts } = form
  const done = await acting(async () => {
    if (props.person) await changeStaff(props.person.id, { ...facts, version: props.person.version })
    else code = (await invite({ ...facts, email })).code
  })
  if (!done) return
  if (props.person) useToasts().say(t('people.nameIsSaved', { name: form.name }))
  else emit('invited', form.name, code)
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="person ? person.name : t('people.inviteSomebody')"
    :go="person ? t('common.save') : t('people.invite')"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <FormField v-model="form.name" :label="t('common.name')" data-test="staff-name" :wrong="wrongs.name" />
      <FormField
        v-model="form.email"
        :label="t('common.emailAddress')"
        type="email"
        :disabled="!!person"
        :hint="t('people.theInvitationGoesThereIt')"
        data-test="staff-email"
        :wrong="wrongs.email"
      />
      <SelectField v-model="form.role" :label="t('people.role')" :choices="roles" />
      <SelectField
        v-model="form.startPage"
        :label="t('common.beginsWith')"
        :choices="pages"
        data-test="staff-start"
      />
      <fieldset v-if="brands.length > 1">
        <legend>{{ t('people.onlyTheseBrandsNoneTicked') }}</legend>
        <CheckField
          v-for="brand in brands"
          :key="brand.id"
          :model-value="form.brandIds.includes(brand.id)"
          @update:model-value="toggle(brand.id, $event)"
          >{{ brand.name }}</CheckField
        >
      </fieldset>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </div>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  font-size: var(--small);
  color: var(--soft-ink);
  padding: 0;
}
</style>
