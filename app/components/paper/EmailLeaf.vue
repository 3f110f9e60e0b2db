<script setup lang="ts">
import { t } from '../../words'
import { fullTime } from '../../composables/format'
import type { EmailView } from '../../contract'

/** The email as it was sent, or as it would be now. Its HTML is shown in a frame without scripts. */
defineProps<{ email: EmailView | null; channel: string }>()
const words: Record<string, string> = {
  accepted: t('paper.takenByTheMailServer'),
  delivered: 'delivered',
  refused: 'refused',
  bounced: t('paper.cameBack'),
}
</script>

<template>
  <div v-if="!email" class="empty">
    <strong>{{ t('paper.noEmail') }}</strong>{{
      channel === 'paper' ? t('paper.thisCustomerGetsPapersBy') : t('paper.thereIsNoEmailFor')
    }}
  </div>
  <div v-else class="email">
    <dl>
      <dt>{{ t('common.from') }}</dt>
      <dd>{{ email.from }}</dd>
      <dt>{{ t('paper.replyTo') }}</dt>
      <dd>{{ email.replyTo }}</dd>
      <dt>{{ t('common.to') }}</dt>
      <dd>
        <span v-if="email.to.length === 0" class="tag stuck">{{ t('paper.nobodyTheCustomerHasNo') }}</span>
        <div v-for="to in email.to" :key="to.address">
          <span v-if="to.name">{{ to.name }} · </span>{{ to.address }}
          <span class="soft">{{ to.source }}</span>
          <span
            v-if="to.outcome"
            class="tag"
            :class="{
              go: to.outcome === 'delivered',
              way: to.outcome === 'accepted',
              stuck: to.outcome === 'refused' || to.outcome === 'bounced',
            }"
            :title="to.reply"
            >{{ words[to.outcome] ?? to.outcome }}</span
          >
        </div>
      </dd>
      <dt>{{ t('common.subject') }}</dt>
      <dd class="strong">{{ email.subject }}</dd>
      <dt>{{ t('paper.enclosed') }}</dt>
      <dd>{{ email.files.join(' · ') }}</dd>
      <template v-if="email.sentAt"
        ><dt>{{ t('paper.sent') }}</dt>
        <dd>{{ fullTime(email.sentAt) }}</dd></template
      >
    </dl>
    <iframe :srcdoc="email.html" sandbox="" :title="t('paper.theEmailsText')" />
  </div>
</template>

<style scoped>
.email {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  background: var(--paper);
}
dl {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 5px 10px;
  padding: 12px 14px;
  margin: 0;
  border-bottom: 1px solid var(--rule);
}
dt {
  color: var(--soft-ink);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
iframe {
  flex: 1;
  width: 100%;
  border: 0;
  background: #f4f4f2;
}
</style>
