<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { fullTime, plural } from '../../composables/format'
import { whyWords } from '../enclosures/where'
import { sizeWords } from '../../../core/enclosures/mail-size'
import FileLinks from './FileLinks.vue'
import type { DocumentView, EmailView } from '../../contract'

/** The email as it was sent, or as it would be now. Its HTML is shown in a frame without scripts. */
defineProps<{
  email: EmailView | null
  channel: string
  /** It can still be written anew. */
  open?: boolean
  /** Somebody wrote it for this once. */
  own?: boolean
  /** The document, and the files that its emails lead to. */
  documentId?: number
  links?: DocumentView['fileLinks']
}>()
defineEmits<{ write: [] }>()
const openedWords = (
  { times, byMachine, first }: NonNullable<EmailView['opened']>,
  byPrograms: (times: string) => string,
) =>
  [
    first ? t('paper.firstOpened', { at: fullTime(first), times: plural(times, 'time') }) : '',
    byMachine ? byPrograms(plural(byMachine, 'time')) : '',
  ]
    .filter(Boolean)
    .join('; ')
const byWords = {
  attached: '',
  link: t('paper.asALink'),
  both: t('paper.attachedAndLinked'),
  body: t('paper.inTheText'),
} as const
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
          <span class="soft">{{ `${saidWords(to.source)} ` }}</span>
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
      <dd class="subject">
        <span class="strong">{{ email.subject }}</span>
        <span v-if="own" class="tag wait" data-test="own-words">{{ t('paper.ownWords') }}</span>
        <button v-if="open" type="button" class="word" data-test="write-email" @click="$emit('write')">
          {{ t('paper.change') }}
        </button>
      </dd>
      <dt>{{ t('paper.enclosed') }}</dt>
      <dd>
        <span
          v-for="file in email.files"
          :key="file.name"
          class="file"
          :class="{ out: file.enclosure?.leftOut }"
        >
          <a v-if="file.url" :href="file.url">{{ file.name }}</a><template v-else>{{ file.name }}</template>
          <span v-if="file.size" class="soft">{{ sizeWords(file.size) }}</span>
          <span v-if="file.by !== 'attached'" class="tag">{{ byWords[file.by] }}</span>
          <span v-if="file.of.length" class="soft" :title="file.of.join(', ')">{{
            t('paper.copiesOf', { documents: plural(file.of.length, 'document') })
          }}</span><span v-if="file.without.length" class="soft">{{
            t('paper.sentEarlier', { numbers: file.without.join(', ') })
          }}</span>
          <span v-if="file.enclosure" class="soft">{{
            file.enclosure.leftOut ? t('enclosures.leftOut') : whyWords(file.enclosure.source)
          }}</span>
        </span>
        <span v-if="email.files.length === 0" class="soft">{{ t('paper.nothingEnclosed') }}</span>
        <span v-if="email.emails > 1" class="file" data-test="goes-in-several">{{
          t('paper.goesInSeveral', { count: email.emails, most: sizeWords(email.most!) })
        }}</span>
      </dd>
      <template v-if="links?.length && documentId"
        ><dt>{{ t('paper.links') }}</dt>
        <dd><FileLinks :document-id="documentId" :links="links" /></dd></template
      ><template v-if="email.sentAt"
        ><dt>{{ t('paper.sent') }}</dt>
        <dd>{{ fullTime(email.sentAt) }}</dd></template
      ><template v-if="email.opened"
        ><dt>{{ t('paper.opened') }}</dt>
        <dd data-test="opened">
          {{ openedWords(email.opened, (times) => t('paper.fetchedByPrograms', { times })) }}
        </dd></template
      ><template v-if="email.followed"
        ><dt>{{ t('paper.offer') }}</dt>
        <dd data-test="followed">
          {{
            openedWords(email.followed, (times) => t('paper.followedByPrograms', { times })) ||
            t('paper.offerNotFollowed')
          }}
        </dd></template
      >
    </dl>
    <p v-if="email.problem" class="notice stuck" role="alert">{{ saidWords(email.problem) }}</p>
    <iframe v-else :srcdoc="email.html" sandbox="" :title="t('paper.theEmailsText')" />
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
.file {
  display: flex;
  gap: 8px;
}
.out > a {
  text-decoration: line-through;
}
.subject {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
}
iframe {
  flex: 1;
  width: 100%;
  border: 0;
  background: #f4f4f2;
}
</style>
