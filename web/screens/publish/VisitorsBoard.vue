<script setup lang="ts">
import IconExternalLink from '~icons/tabler/external-link'
import { useIntervalFn } from '@vueuse/core'
import { Checkbox } from 'ant-design-vue'
import { shallowRef } from 'vue'
import type { StandIn } from '@viatica/core/protocol/publish.ts'
import type { Trouble } from '@viatica/core/protocol/publishRequests.ts'
import { publishApi } from '../../api/publish.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'

/** What visitors of the stand-in host ask for and get, and what can be made to go wrong there. */
const openSite = useOpenSite()
const publishing = usePublishing()
const standIn = shallowRef<StandIn>()

const EVERY_MS = 2000
const read = async () => {
  standIn.value = await publishApi.standIn(openSite.id).catch(() => standIn.value)
}
useIntervalFn(() => void read(), EVERY_MS, { immediateCallback: true })

const SLOW_MS = 300
const CUT_BYTES = 100_000
interface Switch {
  readonly label: string
  readonly isOn: (trouble: Trouble) => boolean
  readonly set: (isOn: boolean) => Partial<Trouble>
}
const SWITCHES: readonly Switch[] = [
  {
    label: `slow: answers ${SLOW_MS} ms late`,
    isOn: ({ slowMs }) => slowMs > 0,
    set: (isOn) => ({ slowMs: isOn ? SLOW_MS : 0 }),
  },
  { label: 'full: takes nothing more', isOn: ({ isFull }) => isFull, set: (isFull) => ({ isFull }) },
  {
    label: `breaks off after ${CUT_BYTES / 1000} kB`,
    isOn: ({ cutAfterBytes }) => cutAfterBytes > 0,
    set: (isOn) => ({ cutAfterBytes: isOn ? CUT_BYTES : 0 }),
  },
  {
    label: 'refuses the login',
    isOn: ({ refusesLogin }) => refusesLogin,
    set: (refusesLogin) => ({ refusesLogin }),
  },
  {
    label: 'loses what it is sent',
    isOn: ({ losesUploads }) => losesUploads,
    set: (losesUploads) => ({ losesUploads }),
  },
]
async function turn(one: Switch, isOn: boolean): Promise<void> {
  if (!standIn.value) return
  const trouble = { ...standIn.value.trouble, ...one.set(isOn) }
  standIn.value = await publishApi.setTrouble(openSite.id, trouble).catch(() => standIn.value)
}
const time = new Intl.DateTimeFormat(undefined, { timeStyle: 'medium' })
</script>

<template>
  <div class="board">
    <section aria-label="Requests of visitors" class="visits">
      <h2>
        Requests
        <a
          v-if="publishing.changes?.visitedAt"
          :href="publishing.changes.visitedAt"
          target="_blank"
          rel="noreferrer"
          >Open the published site<IconExternalLink width="15" height="15" aria-hidden="true"
        /></a>
      </h2>
      <p v-if="!standIn || standIn.visits.length === 0" class="quiet">
        Nobody has asked for anything since the stand-in host was started.
      </p>
      <div v-else class="table" tabindex="0" role="region" aria-label="Requests, the newest first">
        <table>
          <thead>
            <tr>
              <th scope="col">Time</th>
              <th scope="col">Status</th>
              <th scope="col">Address</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(visit, n) in standIn.visits" :key="standIn.visits.length - n">
              <td>{{ time.format(new Date(visit.at)) }}</td>
              <td :class="{ fault: visit.status >= 400 }">{{ visit.status }}</td>
              <td>
                <code>{{ visit.path }}</code>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section aria-label="Trouble">
      <h2>Trouble</h2>
      <p class="quiet">What can go wrong with a host, to see what becomes of a publication then.</p>
      <Checkbox
        v-for="one in SWITCHES"
        :key="one.label"
        class="switch"
        :checked="standIn !== undefined && one.isOn(standIn.trouble)"
        :disabled="!standIn"
        @change="turn(one, $event.target.checked)"
        >{{ one.label }}</Checkbox
      >
    </section>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 240px;
  gap: 28px;
  min-height: 0;
}

.visits {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

h2 {
  display: flex;
  gap: 14px;
  align-items: baseline;
  font-size: 16px;
}

h2 a {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  font:
    14px/1.4 Barlow,
    sans-serif;
}

.table {
  flex: 1;
  min-height: 160px;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 3px 10px;
  white-space: nowrap;
  text-align: left;
  border-bottom: 1px solid var(--rule);
}

.fault {
  color: var(--brick);
  font-weight: 600;
}

.switch {
  display: flex;
  margin: 0 0 6px;
}

@media (max-width: 960px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
