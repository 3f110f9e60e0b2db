<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import PegMark from './PegMark.vue'
import { useSession } from '../../stores/session'
import { useActing } from '../../composables/useActing'
const session = useSession()
const email = ref('')
const password = ref('')
const { busy, wrong, acting } = useActing()
const signIn = () => acting(() => session.signIn(email.value, password.value))
</script>

<template>
  <main class="sign-in">
    <svg class="rope" viewBox="0 0 1280 120" preserveAspectRatio="none" aria-hidden="true">
      <path d="M0 20 C 300 90, 900 100, 1280 30" fill="none" stroke="#86979a" stroke-width="2" />
    </svg>
    <form class="sheet" @submit.prevent="signIn">
      <PegMark class="peg" />
      <h1>Clothespin</h1>
      <p class="soft">Every paper that is due goes out once.</p>
      <FormField
        id="email"
        v-model="email"
        label="Email address"
        type="email"
        autocomplete="username"
        required
        autofocus
      />
      <FormField
        id="password"
        v-model="password"
        label="Password"
        type="password"
        autocomplete="current-password"
        required
      />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <VBtn type="submit" variant="flat" :loading="busy" block class="go" height="38">Sign in</VBtn>
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
  background: var(--paper);
  border: 1px solid var(--rule);
  box-shadow: 0 10px 30px rgb(22 38 43 / 12%);
  padding: 34px 30px 30px;
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
  font-size: 24px;
}
p {
  margin: 2px 0 18px;
}
.form-field {
  margin-bottom: 14px;
}
.wrong {
  background: var(--brick-pale);
  color: var(--brick);
  padding: 8px 11px;
  border-radius: 3px;
  margin: 0 0 14px;
}
</style>
