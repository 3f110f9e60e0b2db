<script setup lang="ts">
import { t } from '../../words'
import { said } from '../../words/speech'
import DevicesDialog from '../people/DevicesDialog.vue'
import PasswordDialog from '../people/PasswordDialog.vue'
import SecondFactorDialog from '../people/SecondFactorDialog.vue'
import { useSession } from '../../stores/session'
import { useLook } from '../../stores/look'

/** Who is signed in, and what is one's own here: dark or light, password, second factor, devices, signing out. */
const emit = defineEmits<{ help: [] }>()
const session = useSession()
const initials = computed(() =>
  session
    .user!.name.split(' ')
    .map((part) => part[0])
    .join('')
    .slice(0, 2),
)
const look = useLook()
const themes = [
  { value: 'light', words: t('frame.lightMode') },
  { value: 'dark', words: t('frame.darkMode') },
  { value: 'system', words: t('frame.asTheComputer') },
] as const
const password = ref(false)
const devices = ref(false)
const factor = ref(false)
</script>

<template>
  <VMenu>
    <template #activator="{ props: activator }">
      <button
        type="button"
        class="who"
        :aria-label="
          t('frame.initialsUserSignedInAs', {
            initials,
            user: session.user!.name,
            role: said(`worker/${session.user!.role}`),
          })
        "
        v-bind="activator"
      >
        {{ initials }}
      </button>
    </template>
    <VList>
      <div class="me">
        <strong>{{ session.user!.name }}</strong><br /><span class="soft"
          >{{ said(`worker/${session.user!.role}`) }} · {{ session.user!.email }}</span
        >
      </div>
      <VListItem
        v-for="one in themes"
        :key="one.value"
        :title="one.words"
        :active="look.theme === one.value"
        @click="look.choose(one.value)"
      />
      <VListItem :title="t('frame.changeYourPassword')" @click="password = true" />
      <VListItem :title="t('frame.secondFactor')" data-test="second-factor" @click="factor = true" />
      <VListItem :title="t('frame.whereYouAreSignedIn')" data-test="devices" @click="devices = true" />
      <VListItem :title="t('frame.helpAndKeys')" @click="emit('help')"
        ><template #append><kbd>F1</kbd></template></VListItem
      >
      <VListItem :title="t('common.signOut')" @click="session.signOut()" />
    </VList>
  </VMenu>
  <PasswordDialog v-model="password" />
  <DevicesDialog v-model="devices" />
  <SecondFactorDialog v-if="factor" @leave="factor = false" />
</template>

<style scoped>
.who {
  background: none;
  border: 1px solid #51656a;
  border-radius: 50%;
  width: 32px;
  height: 32px;
  color: #fff;
  font-weight: 700;
  font-size: var(--small);
  cursor: pointer;
}
.who:focus-visible {
  outline-color: #f2b632;
}
.me {
  padding: 8px 16px 10px;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 4px;
}
</style>
