<script setup lang="ts">
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import { contrastRatio } from '@viatica/core/render/style/colour.ts'
import {
  groundColours,
  LEAST_CONTRAST,
  LINK_STATES,
  linkStates,
  MENU_GROUNDS,
  type MenuGround,
  type StateLook,
  stateFaults,
} from '@viatica/core/render/style/linkStates.ts'
import { generatedPaths } from '@viatica/core/address/generated.ts'
import { fontStack } from '@viatica/core/render/style/fonts.ts'
import { fontFaceStyles } from '@viatica/core/render/style/openFonts.ts'
import { computed } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** Every state of a menu link on each ground, as it will look, with its contrast and what is not well with it. */
const openSite = useOpenSite()
const surrounding = useSurrounding()

const GROUND_NAMES: Readonly<Record<MenuGround, string>> = {
  header: 'In the header',
  page: 'Beside the content',
  footer: 'In the footer',
}

const look = computed(() => surrounding.pieces.look)
/** The samples are set in the fonts that pages will be. */
const fontFaces = computed(() =>
  fontFaceStyles(look.value, sitesApi.previewUrl(openSite.id, generatedPaths(openSite.shown).fonts)),
)
const grounds = computed(() =>
  MENU_GROUNDS.map((ground) => {
    const states = linkStates(look.value, ground)
    const faults = stateFaults(states)
    return {
      ground,
      accent: groundColours(look.value, ground).accent,
      states: LINK_STATES.map((state) => ({
        state,
        look: states[state],
        contrast: contrastRatio(states[state].colour, states[state].back),
        faults: faults
          .filter((fault) => fault.state === state)
          .map(({ what, as }) => (what === 'contrast' ? `below ${LEAST_CONTRAST} : 1` : `looks like ${as}`)),
      })),
    }
  }),
)

const styleOf = ({ colour, back, bold, underline, bar, ring }: StateLook, accent: string) => ({
  color: colour,
  background: back,
  fontWeight: bold ? 'bold' : 'normal',
  textDecoration: underline ? 'underline' : 'none',
  borderBottom: `4px ${bar === 'none' ? 'solid' : bar} ${bar === 'none' ? 'transparent' : accent}`,
  outline: ring ? `3px solid ${ring}` : 'none',
  outlineOffset: '-3px',
  fontFamily: fontStack(look.value.menuFont),
})
</script>

<template>
  <component :is="'style'">{{ fontFaces }}</component>
  <table>
    <thead>
      <tr>
        <th scope="col">A menu link</th>
        <th v-for="state in LINK_STATES" :key="state" scope="col">{{ state }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ ground, accent, states } in grounds" :key="ground">
        <th scope="row">{{ GROUND_NAMES[ground] }}</th>
        <td v-for="one in states" :key="one.state">
          <span class="sample" :style="styleOf(one.look, accent)">Visit</span>
          <span class="figure">{{ one.contrast.toFixed(1) }}</span>
          <span v-for="fault in one.faults" :key="fault" class="fault">
            <IconAlertTriangle width="13" height="13" aria-hidden="true" /> {{ fault }}
          </span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  table-layout: fixed;
}

th {
  padding: 2px 4px;
  color: var(--slate);
  font-size: 13px;
  font-weight: 500;
  text-align: left;
}

td {
  padding: 3px 4px;
  vertical-align: top;
}

.sample {
  display: block;
  padding: 5px 8px 2px;
}

.figure {
  font: 12px var(--mono);
}

.fault {
  display: block;
  color: var(--brick);
  font-size: 12px;
  line-height: 1.2;
}
</style>
