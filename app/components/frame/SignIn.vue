<script setup lang="ts">
import { t } from '../../words'
import ChoosePassword from './ChoosePassword.vue'
import FormField from '../fields/FormField.vue'
import PegMark from './PegMark.vue'
import { useSession } from '../../stores/session'
import { useActing } from '../../composables/useActing'
import { ApiRefusal } from '../../composables/api'
import { askForPassword } from '../../calls/begin'

/** Signs in; or asks for a new password by mail; or chooses one with a code out of a mail. */
const session = useSession()
const route = useRoute()
const email = ref('')
const password = ref('')
const asked = ref(false)
const { busy, wrong, acting } = useActing()
/** Asked for only once the password fitted, of who has a second factor. */
const secondCode = ref('')
const asksCode = ref(false)
const signIn = () =>
  acting(async () => {
    try {
      await session.signIn(email.value, password.value, secondCode.value)
    } catch (error) {
      if (!(error instanceof ApiRefusal) || error.code !== 'code-needed') throw error
      asksCode.value = true
    }
  })
const code = computed(() => {
  const { invitation, password: reset } = route.query
  if (invitation) return { purpose: 'invitation', code: String(invitation) } as const
  return reset ? ({ purpose: 'new password', code: String(reset) } as const) : undefined
})
const byHand = ref<'invitation' | 'new password'>()
const ask = () =>
  acting(async () => {
    if (!email.value.trim()) throw new Error(t('frame.enterYourEmailAddressFirst'))
    await askForPassword(email.value)
    asked.value = true
  })
</script>

<template>
  <main class="sign-in">
    <svg class="rope" viewBox="0 0 1280 120" preserveAspectRatio="none" aria-hidden="true">
      <path d="M0 20 C 300 90, 900 100, 1280 30" fill="none" stroke="#86979a" stroke-width="2" />
    </svg>
    <div v-if="code || byHand" class="sheet">
      <PegMark class="peg" />
      <ChoosePassword :purpose="code?.purpose ?? byHand!" :code="code?.code ?? ''" />
      <button v-if="byHand" type="button" class="word" @click="byHand = undefined">
        {{ t('frame.backToSignIn') }}
      </button>
    </div>
    <form v-else class="sheet" @submit.prevent="signIn">
      <PegMark class="peg" />
      <h1>{{ t('common.clothespin') }}</h1>
      <p class="soft">{{ t('frame.everyDocumentThatIsDue') }}</p>
      <FormField
        id="email"
        v-model="email"
        :label="t('common.emailAddress')"
        type="email"
        autocomplete="username"
        required
        autofocus
      />
      <FormField
        id="password"
        v-model="password"
        :label="t('common.password')"
        type="password"
        autocomplete="current-password"
        required
      />
      <FormField
        v-if="asksCode"
        v-model="secondCode"
        :label="t('frame.codeFromYourPhone')"
        mono
        autofocus
        autocomplete="one-time-code"
        :hint="t('frame.sixDigitsOrOneOf')"
        data-test="second-code"
      />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p v-if="asked" role="status">
        {{ t('frame.ifSomebodyWorksHereWith') }}
      </p>
      <VBtn type="submit" variant="flat" :loading="busy" block class="go" height="38">{{
        t('frame.signIn')
      }}</VBtn>
      <div class="others">
        <button type="button" class="word" data-test="forgotten" @click="ask">
          {{ t('frame.forgotYourPassword') }}
        </button>
        <button type="button" class="word" data-test="have-code" @click="byHand = 'new password'">
          {{ t('frame.iHaveACode') }}
        </button>
      </div>
    </form>
  </main>
</template>

<style scoped>
.sign-in {
  min-height: 100vh;
  background: var(--ledger);
  display: grid;
  place-items: start center;
  padding-top: 108px;
  position: relative;
}
.rope {
  position: absolute;
  top: 40px;
  left: 0;
  width: 100%;
  height: 110px;
}
.sheet {
  position: relative;
  width: 360px;
  max-width: calc(100vw - 24px);
  background: var(--paper);
  border: 1px solid var(--rule);
  box-shadow: 0 10px 30px rgb(22 38 43 / 12%);
  padding: 34px 30px 26px;
  display: flex;
  flex-direction: column;
}
.peg {
  position: absolute;
  top: -26px;
  left: 50%;
  margin-left: -10px;
  width: 20px;
  height: 46px;
}
h1 {
  font-size: var(--large);
}
p {
  margin: 2px 0 18px;
}
.sheet > .form-field {
  margin-bottom: 14px;
}
.wrong {
  background: var(--brick-pale);
  color: var(--brick);
  padding: 8px 11px;
  border-radius: 3px;
  margin: 0 0 14px;
}
.others {
  display: flex;
  justify-content: space-between;
  margin-top: 14px;
}
</style>
