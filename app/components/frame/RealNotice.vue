<script setup lang="ts">
import { t } from '../../words'
import { useHouseState } from '../../stores/house'
/** During a rehearsal: what is done here is real all the same. */
defineProps<{ what: string }>()
const house = useHouseState()
</script>

<template>
  <p v-if="house.state?.rehearsalSince" class="notice wait" role="note" data-test="real">
    {{ t('frame.aRehearsalIsOnBut', { what }) }}
  </p>
</template>
