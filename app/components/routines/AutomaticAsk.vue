<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import { toldEvent, type RoutineSentence } from '../../../core/routines/sentence'

/** Asks before a routine may go on without a person. */
const open = defineModel<boolean>({ required: true })
defineProps<{ sentence: RoutineSentence; dirty: boolean; busy: boolean }>()
const emit = defineEmits<{ go: [] }>()
</script>

<template>
  <Ask
    v-model="open"
    :title="t('routines.sendAutomatically')"
    :go="t('common.automatic')"
    :busy="busy"
    @go="emit('go')"
  >
    <p>
      {{
        t('routines.fromNowOnWhenSentence', {
          sentence: saidWords(toldEvent(sentence)),
          sentence2:
            sentence.on === 'posted'
              ? t('routines.thatDocumentGoes')
              : t('routines.itsIssueIsIssuedAnd', { issue: kindWords(sentence.issue) }),
        })
      }}
    </p>
    <p v-if="dirty" class="notice wait">{{ t('routines.theSentenceAsItStands') }}</p>
  </Ask>
</template>
