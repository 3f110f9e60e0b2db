<script setup lang="ts">
import { t } from '../../words'
import { said } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import RecordList from '../list/RecordList.vue'
import StaffDialog from './StaffDialog.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { shortTime } from '../../composables/format'
import { fetchStaff, inviteAgain, leaveHouse } from '../../calls/staff'
import type { StaffView } from '../../contract'

/** Who works here: invited, changed, let go. Who has left stays in the list, and in the history. */
const session = useSession()
const staff = shallowRef<StaffView[]>()
const load = () =>
  attempt(async () => {
    staff.value = await fetchStaff()
  })
onMounted(load)
useLive(['house'], () => void load())
const editing = shallowRef<StaffView | 'new'>()
const leaving = shallowRef<StaffView>()
/** A code to hand over, where no mail can be sent yet. */
const code = shallowRef<{ name: string; link: string }>()
const brandsOf = (person: StaffView) =>
  person.brandIds.length === 0
    ? t('common.allBrands')
    : person.brandIds.map((id) => session.house!.brands.find((one) => one.id === id)?.name).join(', ')
function invited(name: string, given: string | null) {
  if (given) code.value = { name, link: `${location.origin}/?invitation=${given}` }
  else useToasts().say(t('people.anInvitationIsOnIts', { name }))
}
const again = (person: StaffView) =>
  attempt(async () => {
    invited(person.name, (await inviteAgain(person.id)).code)
  })
const leave = () =>
  attempt(async () => {
    await leaveHouse(leaving.value!.id, leaving.value!.version)
    useToasts().say(t('people.leavingHasNoAccessAny', { leaving: leaving.value!.name }))
    leaving.value = undefined
    await load()
  })
</script>

<template>
  <div class="body">
    <RecordList
      :rows="staff"
      :add="t('people.inviteSomebody')"
      add-test="invite"
      columns="minmax(0, 1.3fr) minmax(0, 1fr) 92px 180px"
      @add="editing = 'new'"
    >
      <template #intro>{{ t('people.whoWorksHereAndWhat') }}</template>
      <template #row="{ row: person }">
        <span class="what" :class="{ soft: person.state === 'left' }"
          ><strong>{{ person.name }}</strong
          ><span class="soft">{{ person.email }}</span></span
        >
        <span :class="{ soft: person.state === 'left' }"
          >{{ said(`worker/${person.role}`) }}, {{ brandsOf(person) }}</span
        >
        <span v-if="person.state === 'left'" class="tag">{{
          t('people.leftLeftAt', { leftAt: shortTime(person.leftAt!) })
        }}</span>
        <span v-else-if="person.state === 'invited'" class="tag wait">{{ t('people.invited') }}</span>
        <span v-else class="tag go">{{ t('people.worksHere') }}</span>
        <span class="acts">
          <VBtn v-if="person.state === 'invited'" height="30" @click="again(person)">{{
            t('people.inviteAgain')
          }}</VBtn>
          <template v-if="person.state !== 'left'"
            ><VBtn height="30" @click="editing = person">{{ t('common.open') }}</VBtn
            ><VBtn v-if="person.id !== session.user!.id" height="30" @click="leaving = person">{{
              t('people.endAccess')
            }}</VBtn>
          </template>
        </span>
      </template>
    </RecordList>
    <StaffDialog
      v-if="editing"
      :person="editing === 'new' ? undefined : editing"
      @leave="editing = undefined"
      @kept="load"
      @invited="invited"
    />
    <Ask
      v-if="leaving"
      :model-value="true"
      :title="t('people.endTheAccessOfLeaving', { leaving: leaving.name })"
      :go="t('people.endAccess2')"
      danger
      @update:model-value="leaving = undefined"
      @go="leave"
      ><p>
        {{ t('people.signInAndAPITokens', { leaving: leaving.name }) }}
      </p></Ask
    >
    <Ask
      v-if="code"
      :model-value="true"
      :title="t('people.passThisOnToCode', { code: code.name })"
      :go="t('people.done')"
      @update:model-value="code = undefined"
      @go="code = undefined"
      ><p>{{ t('people.noEmailCanBeSent') }}</p>
      <p class="mono link">{{ code.link }}</p></Ask
    >
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
.acts {
  min-width: 150px;
}
.link {
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
