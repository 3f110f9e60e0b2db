<script setup lang="ts">
/** The three sides of Accounts: who owes what, what was paid, and the bank's files. */
const route = useRoute()
const places = [
  { to: '/accounts', words: 'Open accounts' },
  { to: '/accounts/payments', words: 'Payments' },
  { to: '/accounts/bank', words: 'Bank files' },
]
</script>

<template>
  <h1 class="title">Accounts</h1>
  <nav aria-label="Accounts" class="places">
    <NuxtLink
      v-for="one in places"
      :key="one.to"
      :to="one.to"
      :class="{ here: route.path === one.to }"
      :aria-current="route.path === one.to ? 'page' : undefined"
      >{{ one.words }}</NuxtLink
    >
  </nav>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.places {
  display: flex;
  gap: 2px;
  white-space: nowrap;
}
.places a {
  padding: 5px 9px;
  border-radius: 4px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 600;
}
.places a:hover {
  background: var(--ledger);
}
.places a.here {
  background: var(--ledger-deep);
}
</style>
