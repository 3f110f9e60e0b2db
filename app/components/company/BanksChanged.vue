<script setup lang="ts">
import { t } from '../../words'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useActing } from '../../composables/useActing'
import { fullTime } from '../../composables/format'
import { confirmBanks } from '../../calls/brands'
import type { BrandView } from '../../contract'

/** Bank accounts that somebody changed and nobody else has confirmed: what names them waits for a second person. */
const props = defineProps<{ brand: BrandView }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSession()
const { busy, wrong, acting } = useActing()
const own = computed(() => props.brand.banksChanged?.id === session.user?.id)
const confirm = () =>
  acting(async () => {
    await confirmBanks(props.brand.id)
    useToasts().say(t('brands.accountsConfirmed'))
    emit('kept')
  })
</script>

<template>
  <div v-if="brand.banksChanged" class="notice wait" data-test="banks-changed">
    <span
      >{{
        t('brands.accountsChanged', { name: brand.banksChanged.name, at: fullTime(brand.banksChanged.at) })
      }}
      {{ own ? t('brands.somebodyElseConfirms') : '' }}
      <strong v-if="wrong" role="alert">{{ wrong }}</strong></span
    >
    <VBtn
      v-if="!own && session.may('supervisor')"
      class="push"
      height="28"
      :disabled="busy"
      data-test="confirm-banks"
      @click="confirm"
      >{{ t('brands.theyAreRight') }}</VBtn
    >
  </div>
</template>
