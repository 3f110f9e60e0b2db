<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { I18nT } from 'vue-i18n'
import { plural } from '../../composables/format'
import type { BankFileView } from '../../contract'

/** Where a bank file stands: how many of its movements are done, sure, unsure or strange. */
const props = defineProps<{ file: BankFileView }>()
const count = (state: string) => props.file.counts[state as 'sure'] ?? 0
const done = computed(() => count('booked') + count('set aside'))
</script>

<template>
  <p v-if="file.state === 'refused'" class="notice stuck" role="alert">{{ saidWords(file.reason) }}</p>
  <p v-else-if="file.state === 'reading'" class="notice" role="status">
    {{ t('bank.theFileIsBeingRead') }}
  </p>
  <p v-else class="notice" role="status" data-test="file-facts">
    <span
      ><template v-if="file.account"
        ><I18nT keypath="bank.accountAccount" scope="global"
          ><template #account
            ><span class="mono">{{ file.account }}</span></template
          ></I18nT
        > </template
      >{{ plural(file.entries, 'movement')
      }}<template v-if="file.known">{{ t('bank.knownKnownFromAnotherFile', { known: file.known }) }}</template
      >{{ t('bank.doneDone', { done })
      }}<template v-if="count('to book')">{{
        t('bank.countBeingBooked', { count: count('to book') })
      }}</template
      >{{
        t('bank.sureMatchedUnsureToCheck', {
          sure: count('sure'),
          unsure: count('unsure'),
          strange: count('strange'),
        })
      }}</span
    >
  </p>
</template>
