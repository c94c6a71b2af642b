<script setup lang="ts">
import { BarChart } from 'echarts/charts'
import { AriaComponent, GridComponent } from 'echarts/components'
import { type ECharts, init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { COLOURS } from '../theme/tokens.ts'

/** How many pages there are at 0, 1, 2 …, as bars and, for those who do not see them, as a table. */
const props = withDefaults(
  defineProps<{
    title: string
    axis: string
    counts: readonly number[]
    /** Of the drawing, in CSS pixels. */
    height?: number
    /** Whether the last bar stands for all that are more. */
    isOpen?: boolean
  }>(),
  { height: 300, isOpen: false },
)
const nameOf = (at: number) => `${at}${props.isOpen && at === props.counts.length - 1 ? '+' : ''}`

use([BarChart, GridComponent, AriaComponent, SVGRenderer])

const element = ref<HTMLElement>()
let chart: ECharts | undefined
let observer: ResizeObserver | undefined

function draw(): void {
  const font = { color: COLOURS.ink, fontFamily: 'Barlow', fontSize: 13 }
  chart?.setOption({
    animation: false,
    grid: { left: 44, right: 12, top: 24, bottom: 46 },
    xAxis: {
      type: 'category',
      data: props.counts.map((_, at) => nameOf(at)),
      name: props.axis,
      nameLocation: 'middle',
      nameGap: 28,
      nameTextStyle: font,
      axisLabel: font,
      axisTick: { show: false },
      axisLine: { lineStyle: { color: COLOURS.slate } },
    },
    yAxis: {
      type: 'value',
      minInterval: 1,
      axisLabel: font,
      splitLine: { lineStyle: { color: COLOURS.rule } },
    },
    series: [
      {
        type: 'bar',
        data: [...props.counts],
        barMaxWidth: 44,
        itemStyle: { color: COLOURS.pine },
        label: { show: true, position: 'top', ...font },
      },
    ],
  })
}

onMounted(() => {
  chart = init(element.value!, undefined, { renderer: 'svg' })
  draw()
  observer = new ResizeObserver(() => chart?.resize())
  observer.observe(element.value!)
})
onBeforeUnmount(() => {
  observer?.disconnect()
  chart?.dispose()
})
watch(() => props.counts, draw)
</script>

<template>
  <section>
    <h2>{{ title }}</h2>
    <div ref="element" :style="{ height: `${height}px` }" aria-hidden="true" />
    <table class="unseen">
      <caption>
        {{ title }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ axis }}</th>
          <th scope="col">pages</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(count, at) in counts" :key="at">
          <th scope="row">{{ nameOf(at) }}</th>
          <td>{{ count }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  position: relative;
  padding: 12px 14px;
  background: var(--card);
  border: 1px solid var(--rule);
  border-radius: 3px;
}

h2 {
  font-size: 16px;
}
</style>
