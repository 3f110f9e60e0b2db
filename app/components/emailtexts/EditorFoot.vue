<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import type { Editor } from '@tiptap/vue-3'
import { t } from '../../words'
import { documentLink, isSafeLink } from '../../../core/emailtexts/nodes'
import { conditionsHere } from './passages'
import { whenWords, wordsOfField } from './field-words'

/**
 * The line under an email text: about what the cursor stands at. A field says what stands for it where it is empty, a
 * passage when it stands, a link where it leads. Always there, so that nothing jumps.
 */
const props = defineProps<{ editor: Editor; single: boolean }>()
/** The link of the selected words is being written. */
const linking = defineModel<boolean>('linking', { required: true })

const chip = computed(() => {
  if (!props.editor.isActive('field')) return undefined
  return props.editor.getAttributes('field') as { name: string; instead: string }
})
/** Before anybody was in it, a cursor stands nowhere. */
const begun = ref(false)
props.editor.on('focus', () => (begun.value = true))
const when = computed(() => conditionsHere(props.editor).map(whenWords).join(t('emailtexts.and')))

const toDocument = computed(() => props.editor.isActive('link', { href: documentLink }))

const brace = '{'
const href = ref('')
const linkField = ref<HTMLInputElement>()
watch(linking, async (now) => {
  if (!now) return
  const leads = String(props.editor.getAttributes('link').href ?? '')
  href.value = leads === documentLink ? '' : leads
  await nextTick()
  linkField.value?.focus()
})
/** What begins without a scheme is a page, or a mailbox. */
function target(written: string): string {
  const text = written.trim()
  if (/^[a-z]+:/i.test(text)) return text
  return text.includes('@') ? `mailto:${text}` : `https://${text}`
}
const goodLink = computed(() => href.value.trim() !== '' && isSafeLink(target(href.value)))
function useLink() {
  if (goodLink.value) leadTo(target(href.value))
}
/** With nothing selected, words to begin with stand there and lead. */
function leadTo(where: string) {
  const here = props.editor.chain().focus().extendMarkRange('link')
  if (where === documentLink && props.editor.state.selection.empty && !props.editor.isActive('link'))
    here.insertContent({
      type: 'text',
      text: t('emailtexts.theDocument'),
      marks: [{ type: 'link', attrs: { href: where } }],
    })
  else here.setLink({ href: where })
  here.run()
  linking.value = false
}
function takeOff() {
  props.editor.chain().focus().extendMarkRange('link').unsetLink().run()
  linking.value = false
}
function leave() {
  linking.value = false
  props.editor.commands.focus()
}

const setInstead = (instead: string) => props.editor.commands.updateAttributes('field', { instead })
</script>

<template>
  <div class="foot">
    <template v-if="linking">
      <label class="said">
        {{ t('emailtexts.linkTo') }}
        <input
          ref="linkField"
          v-model="href"
          type="text"
          :placeholder="t('emailtexts.linkExample')"
          data-test="link-to"
          @keydown.enter.stop.prevent="useLink"
          @keydown.esc.stop.prevent="leave"
        />
      </label>
      <button type="button" class="word" :disabled="!goodLink" data-test="use-link" @click="useLink">
        {{ t('emailtexts.useLink') }}
      </button>
      <button type="button" class="word" data-test="link-document" @click="leadTo(documentLink)">
        {{ t('emailtexts.toTheDocument') }}
      </button>
      <button v-if="editor.isActive('link')" type="button" class="word" @click="takeOff">
        {{ t('emailtexts.takeOff') }}
      </button>
      <span v-if="href && !goodLink" class="wrong">{{ t('emailtexts.noSuchLink') }}</span>
    </template>
    <label v-else-if="chip" class="said">
      <strong>{{ wordsOfField(chip.name) }}</strong> {{ t('emailtexts.ifEmpty') }}
      <input
        type="text"
        :value="chip.instead"
        :placeholder="t('emailtexts.stopsTheEmail')"
        maxlength="200"
        data-test="instead"
        @change="setInstead(($event.target as HTMLInputElement).value)"
        @keydown.enter.stop.prevent="editor.commands.focus()"
      />
    </label>
    <span v-else-if="begun && toDocument" class="said" data-test="leads-to-document">
      {{ t('emailtexts.leadsToDocument') }}
    </span>
    <span v-else-if="begun && when" class="said" data-test="stands-if">
      {{ t('emailtexts.standsIf', { when }) }}
    </span>
    <span v-else-if="single" class="soft">
      <I18nT keypath="emailtexts.typeABraceShort" scope="global"
        ><template #brace><kbd v-text="brace" /></template
      ></I18nT>
    </span>
    <span v-else class="soft">
      <I18nT keypath="emailtexts.typeABrace" scope="global"
        ><template #brace><kbd v-text="brace" /></template
      ></I18nT>
    </span>
  </div>
</template>

<style scoped>
.foot {
  min-height: 28px;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 9px;
  border-top: 1px solid var(--rule);
  font-size: var(--small);
}
.said {
  display: flex;
  align-items: center;
  gap: 8px;
}
input {
  width: 230px;
  height: 22px;
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
.wrong {
  margin: 0;
}
</style>
