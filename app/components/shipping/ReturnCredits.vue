<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import type { ReturnView } from '../../contract'

/** The credit notes of what came back, drafts and issued ones, each with the invoice that it is on. */
defineProps<{ credits: ReturnView['credits'] }>()
</script>

<template>
  <ul class="credits">
    <li v-for="one in credits" :key="one.draftId">
      <I18nT keypath="returns.creditedWith" scope="global"
        ><template #credit
          ><NuxtLink v-if="one.documentId" :to="`/register?document=${one.documentId}`" class="mono">{{
            one.number
          }}</NuxtLink
          ><NuxtLink v-else :to="`/drafts/${one.draftId}`">{{ t('returns.aDraft') }}</NuxtLink></template
        ><template #invoice
          ><NuxtLink :to="`/register?document=${one.invoiceId}`" class="mono">{{
            one.invoice
          }}</NuxtLink></template
        ></I18nT
      >
    </li>
  </ul>
</template>

<style scoped>
.credits {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
</style>
