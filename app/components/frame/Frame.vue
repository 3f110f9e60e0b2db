<script setup lang="ts">
import { t } from '../../words'
import { useEventListener } from '@vueuse/core'
import Finder from './Finder.vue'
import FootLine from './FootLine.vue'
import LeaveDialog from './LeaveDialog.vue'
import ProveDialog from '../people/ProveDialog.vue'
import OwnMenu from './OwnMenu.vue'
import PegMark from './PegMark.vue'
import RunStrip from './RunStrip.vue'
import StateBand from './StateBand.vue'
import { useLiveStore } from '../../stores/live'
import { useAside } from '../../composables/useAside'
import { useLive } from '../../composables/useLive'

/** What stands around every page: the places, what was found to say, and what opens by a key. */
const live = useLiveStore()
const route = useRoute()
const places = [
  { to: '/', words: t('common.line') },
  { to: '/orders', words: t('orders.orders') },
  { to: '/shipments', words: t('shipping.shipments') },
  { to: '/register', words: t('common.register') },
  { to: '/customers', words: t('common.customers') },
  { to: '/items', words: t('common.items') },
  { to: '/accounts', words: t('common.accounts') },
  { to: '/print-queue', words: t('common.printQueue') },
]
const setUp = [
  { to: '/routines', words: t('common.routines') },
  { to: '/company', words: t('common.settings') },
]
const isHere = (to: string) => (to === '/' ? route.path === '/' : route.path.startsWith(to))
/** The task whose help is open; '' is what this screen begins with. */
const help = ref<string>()
const Help = defineAsyncComponent(() => import('./Help.vue'))
const find = ref(false)

function key(event: KeyboardEvent) {
  if (event.key === 'F1') {
    event.preventDefault()
    help.value = help.value === undefined ? '' : undefined
  } else if (event.ctrlKey && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    find.value = true
  }
}
useEventListener(document, 'keydown', key)

const aside = useAside()
useLive([], () => {})
</script>

<template>
  <a class="skip" href="#main">{{ t('frame.toTheContent') }}</a>
  <header class="head">
    <NuxtLink to="/" class="brand"
      ><PegMark class="peg" /><span>{{ t('common.clothespin') }}</span></NuxtLink
    >
    <nav :aria-label="t('frame.places')">
      <NuxtLink
        v-for="place in places"
        :key="place.to"
        :to="place.to"
        :class="{ here: isHere(place.to) }"
        :aria-current="isHere(place.to) ? 'page' : undefined"
        >{{ place.words }}</NuxtLink
      >
      <span class="rule" aria-hidden="true" />
      <NuxtLink
        v-for="place in setUp"
        :key="place.to"
        :to="place.to"
        :class="{ here: isHere(place.to) }"
        :aria-current="isHere(place.to) ? 'page' : undefined"
        >{{ place.words }}</NuxtLink
      >
    </nav>
    <button type="button" class="find" @click="find = true">
      <span>{{ t('frame.numberCustomerAddress') }}</span><em>{{ t('frame.find') }}</em
      ><kbd>{{ t('frame.ctrlK') }}</kbd>
    </button>
    <OwnMenu @help="help = ''" />
  </header>
  <div v-if="!live.connected" class="away" role="status">
    {{ t('frame.noWordFromTheServer') }}
  </div>
  <StateBand />
  <main id="main" class="main"><slot /></main>
  <RunStrip />
  <button
    type="button"
    class="aside-tab"
    :aria-expanded="aside"
    title="D"
    data-test="aside-tab"
    @click="aside = !aside"
  >
    {{ aside ? t('common.close') : t('frame.document') }}
  </button>
  <FootLine @help="help = ''" />
  <LeaveDialog />
  <ProveDialog />
  <Help
    v-if="help !== undefined"
    :path="route.path"
    v-bind="help ? { task: help } : {}"
    @leave="help = undefined"
  />
  <Finder v-model="find" @help="help = $event" />
</template>

<style scoped>
.head {
  flex: none;
  height: var(--head-height);
  background: var(--head);
  color: #fff;
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 14px;
  position: relative;
  z-index: 5;
}
.head a {
  color: #dfe9e3;
  text-decoration: none;
}
.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  font-weight: 700;
  font-size: var(--title);
  color: #fff !important;
  margin-right: 6px;
}
.peg {
  width: 13px;
  height: 25px;
}
nav {
  display: flex;
  align-items: center;
  gap: 2px;
}
nav a {
  padding: 6px 10px;
  border-radius: 4px;
  font-weight: 600;
}
nav a:hover {
  background: var(--head-lift);
}
nav a.here {
  background: var(--head-lift);
  color: #fff;
}
.rule {
  width: 1px;
  height: 18px;
  background: #51656a;
  margin: 0 10px;
}
.find {
  margin-left: auto;
  width: 250px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  background: var(--head-lift);
  border: 1px solid #51656a;
  border-radius: 4px;
  color: #cfdbd6;
  padding: 5px 8px 5px 11px;
  cursor: pointer;
  font: inherit;
}
.find span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.find kbd {
  flex: none;
  white-space: nowrap;
  background: none;
  color: #cfdbd6;
  border-color: #86979a;
}
.head :focus-visible {
  outline-color: #f2b632;
}
.away {
  background: var(--brick-pale);
  color: var(--brick);
  padding: 6px 14px;
}
.skip {
  position: absolute;
  left: -1000px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  background: var(--paper);
  z-index: 10;
  padding: 6px 10px;
}
.main {
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
.aside-tab {
  position: fixed;
  right: 0;
  bottom: 96px;
  z-index: 21;
  writing-mode: vertical-rl;
  padding: 12px 6px;
  border: 1px solid var(--rule);
  border-right: 0;
  border-radius: 4px 0 0 4px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-weight: 650;
  cursor: pointer;
}
nav a,
.find span {
  white-space: nowrap;
}
.find em {
  display: none;
  font-style: normal;
}
@media (max-width: 1150px) {
  .find {
    width: auto;
  }
  .find {
    gap: 8px;
  }
  .find span {
    display: none;
  }
  .find em {
    display: block;
  }
}
@media (max-width: 900px) {
  .brand span {
    display: none;
  }
  nav {
    overflow-x: auto;
    scrollbar-width: none;
    min-width: 0;
  }
}
@media (max-width: 700px) {
  .head {
    gap: 6px;
    padding: 0 8px;
  }
  .find kbd {
    display: none;
  }
}
</style>
