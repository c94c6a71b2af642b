<script setup lang="ts">
import type { WalkFault, WalkReport } from '@viatica/core/walk/walk.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { Button, Progress } from 'ant-design-vue'
import { proxy } from 'comlink'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { useOpenSite } from '../../stores/openSite.ts'
import { siteWork } from '../../workers/siteWork.ts'

/** Every link of every page of the finished site followed, as a visitor would who clicks them all. */
const WHY: Readonly<Record<WalkFault['why'], string>> = {
  'leads nowhere': 'leads nowhere',
  'no such heading': 'leads to a heading that the page does not have',
  differs: 'stands around the content, and differs from the home page',
  marks: 'has more than one here mark',
}
const SHOWN = 500

const router = useRouter()
const openSite = useOpenSite()
const report = shallowRef<WalkReport>()
const isWalking = ref(false)
let walks = 0
/** The site that the report is about. */
const walked = shallowRef<unknown>()

const isWhole = computed(() => report.value !== undefined && report.value.pages === report.value.total)
const isOld = computed(() => walked.value !== openSite.site)
const problems = computed(() => {
  const { length } = report.value!.faults
  return length === 0 ? 'no problems' : length === 1 ? '1 problem' : `${length} problems`
})
const leaving = computed(() => [...(report.value?.leaving ?? [])].sort(([a], [b]) => (a < b ? -1 : 1)))

async function walk(): Promise<void> {
  isWalking.value = true
  walked.value = openSite.site
  report.value = undefined
  // What was found so far comes on a way of its own, and may come after the answer.
  const mine = ++walks
  const answer = await siteWork.walk(
    proxy((sofar: WalkReport) => {
      if (isWalking.value && mine === walks) report.value = sofar
    }),
  )
  isWalking.value = false
  if (answer) report.value = answer
}

const stop = () => void siteWork.stopWalking()
onBeforeUnmount(stop)

function label(fault: WalkFault): string {
  const entry = openSite.shown.plan.entries.get(fault.page)
  return entry ? labelOf(entry) : 'a page that is gone'
}

function show(fault: WalkFault): void {
  const params = { id: openSite.id, view: 'source' }
  void router.push({ name: 'surround', params, query: { page: fault.page } })
}
</script>

<template>
  <div class="walk">
    <div class="bar">
      <Button v-if="!isWalking" type="primary" @click="walk">{{
        report ? 'Check again' : 'Check all links'
      }}</Button>
      <Button v-else @click="stop">Stop</Button>
      <Progress
        v-if="isWalking"
        class="progress"
        :percent="report ? Math.round((100 * report.pages) / report.total) : 0"
        :show-info="false"
        size="small"
        aria-label="Pages checked"
      />
      <p v-if="report" role="status" class="words">
        <strong
          >{{ report.pages }} of {{ report.total }} pages, {{ report.links.toLocaleString('en') }} links,
          {{ problems }}.</strong
        >
        <template v-if="!isWalking && !isWhole"> Stopped before the end.</template>
        <template v-else-if="!isWalking && isOld"> The site has changed since.</template>
      </p>
    </div>
    <p v-if="!report && !isWalking" class="none">
      Every page is written as visitors will get it. Every link on it is followed, to pages, parts of pages,
      pictures, style sheets and files, and what is around its content is compared with the home page, or with
      its template.
    </p>
    <section v-if="report && report.faults.length > 0" tabindex="0" aria-label="Problems">
      <table>
        <thead>
          <tr>
            <th scope="col">Page</th>
            <th scope="col">Line</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(fault, at) in report.faults.slice(0, SHOWN)" :key="at">
            <td>
              <button type="button" class="link-button" @click="show(fault)">{{ label(fault) }}</button>
            </td>
            <td>{{ fault.line }}</td>
            <td><code>{{ fault.text }}</code> {{ WHY[fault.why] }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="report.faults.length > SHOWN" class="quiet">and {{ report.faults.length - SHOWN }} more</p>
    </section>
    <section v-if="leaving.length > 0" tabindex="0" aria-label="Links that leave the site">
      <h2>
        {{
          leaving.length === 1 ? '1 address leaves the site' : `${leaving.length} addresses leave the site`
        }}
      </h2>
      <ul>
        <li v-for="[url, count] in leaving" :key="url">
          <code>{{ url }}</code>
          <span class="quiet">on {{ count === 1 ? '1 page' : `${count} places` }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.walk {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
}

.bar {
  display: flex;
  flex: none;
  align-items: center;
  gap: 14px;
}

.progress {
  width: 220px;
}

.words {
  margin: 0;
}

.none {
  max-width: 46em;
  margin: 8vh auto 0;
  color: var(--slate);
  font-size: 15px;
}

section {
  min-height: 90px;
  padding: 10px 14px;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  color: var(--slate);
  font-weight: 500;
  text-align: left;
}

td {
  padding: 3px 12px 3px 0;
  border-top: 1px solid var(--rule);
  vertical-align: top;
}

td code {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

h2 {
  margin-bottom: 4px;
  font-size: 15px;
}

ul {
  margin: 0;
  padding-left: 18px;
}

li .quiet {
  margin-left: 6px;
}
</style>
