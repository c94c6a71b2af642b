<script setup lang="ts">
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-vue'
import { pieceDoubts } from '@viatica/core/pieces/doubts.ts'
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { PLACE_NAMES } from '@viatica/core/plan/surround/place.ts'
import { MENU_SHAPES } from '@viatica/core/plan/surround/menuShape.ts'
import { PAGER_SHOWS } from '@viatica/core/pieces/pager/model.ts'
import type { Piece } from '@viatica/core/plan/surround/piece.ts'
import { PLACES } from '@viatica/core/plan/surround/place.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import PictureField from '../../../parts/PictureField.vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import PickedLinks from '../PickedLinks.vue'
import ColumnFields from './ColumnFields.vue'

/** The settings of one piece. These are for one piece for good: typing that is saved late must not land on the next. */
const props = defineProps<{ id: string }>()

const openSite = useOpenSite()
const surrounding = useSurrounding()

const standing = computed(() => surrounding.standing!)
const piece = computed(() => standing.value.piece)
const doubts = computed(() => pieceDoubts(openSite.site!, piece.value))
const settings = computed(() => openSite.site!.settings)

const set = (fields: Partial<Piece>) => surrounding.set(piece.value, fields)
const setSite = (field: SetSite['field'], value: unknown) =>
  openSite.make({ kind: 'setSite', field, value } as SetSite)

const menus = computed(() => surrounding.surround.menus.map(({ id, name }) => ({ value: id, label: name })))
const SHAPE_LABELS = {
  row: 'a row',
  stack: 'a stack',
  opening: 'a row with submenus that open',
  line: 'one line with separators',
  columns: 'columns',
}
const shapes = MENU_SHAPES.map((value) => ({ value, label: SHAPE_LABELS[value] }))
const SHOWS_LABELS = { words: 'the words', labels: 'the pages’ labels', both: 'both' }
const shows = PAGER_SHOWS.map((value) => ({ value, label: SHOWS_LABELS[value] }))
const places = PLACES.map((value) => ({ value, label: PLACE_NAMES[value] }))

function moveTo(place: (typeof PLACES)[number]): void {
  if (place === standing.value.place) return
  surrounding.move({ piece: props.id, place, at: surrounding.surround.places[place].length, beside: false })
}

function stand(beside: boolean): void {
  surrounding.move({ piece: props.id, place: standing.value.place, at: standing.value.at, beside })
}

function saveYear(text: string): string | undefined {
  const from = text.trim() === '' ? null : Number(text)
  return Number.isNaN(from) ? 'must be a year such as 1971, or empty' : set({ from })
}
</script>

<template>
  <div>
    <header>
      <h2>{{ pieceName(piece.kind) }}</h2>
      <IconButton
        :icon="IconArrowUp"
        title="Up (Alt+↑)"
        label="Move the piece up"
        :disabled="!surrounding.canStep(id, 'up')"
        @click="surrounding.step(id, 'up')"
      />
      <IconButton
        :icon="IconArrowDown"
        title="Down (Alt+↓)"
        label="Move the piece down"
        :disabled="!surrounding.canStep(id, 'down')"
        @click="surrounding.step(id, 'down')"
      />
      <IconButton
        :icon="IconTrash"
        title="Remove (Delete)"
        label="Remove the piece"
        @click="surrounding.remove(id)"
      />
    </header>
    <ul v-if="doubts.length > 0" class="doubts" aria-label="Doubts">
      <li v-for="doubt in doubts" :key="doubt">{{ doubt }}</li>
    </ul>
    <LabelledChoice
      label="Stands in"
      :options="places"
      :model-value="standing.place"
      @update:model-value="moveTo"
    />
    <Checkbox
      v-if="standing.at > 0"
      class="tick"
      :checked="piece.beside"
      @change="stand($event.target.checked)"
      >in one row with the piece before it</Checkbox
    >

    <template v-if="piece.kind === 'brand'">
      <Checkbox class="tick" :checked="piece.picture" @change="set({ picture: $event.target.checked })"
        >shows the picture</Checkbox
      >
      <PictureField
        v-if="piece.picture"
        label="Picture of the site"
        :value="settings.logo"
        :change="(value) => ({ kind: 'setSite', field: 'logo', value })"
      />
      <Checkbox class="tick" :checked="piece.name" @change="set({ name: $event.target.checked })"
        >shows the name</Checkbox
      >
      <SavedText label="Name of the site" :value="settings.name" :save="(text) => setSite('name', text)" />
      <Checkbox class="tick" :checked="piece.tagline" @change="set({ tagline: $event.target.checked })"
        >shows the tagline</Checkbox
      >
      <SavedText label="Tagline" :value="settings.tagline" :save="(text) => setSite('tagline', text)" />
    </template>

    <template v-else-if="piece.kind === 'menu'">
      <LabelledChoice
        label="Menu"
        :options="menus"
        :model-value="piece.menu"
        @update:model-value="(menu) => set({ menu })"
      />
      <LabelledChoice
        label="Drawn as"
        :options="shapes"
        :model-value="piece.shape"
        @update:model-value="(shape) => set({ shape })"
      />
      <Checkbox class="tick" :checked="piece.folds" @change="set({ folds: $event.target.checked })"
        >folds behind a button on narrow screens</Checkbox
      >
    </template>

    <template v-else-if="piece.kind === 'links'">
      <SavedText label="Called" :value="piece.label" :save="(label) => set({ label })">
        <template #hint>for those who hear the page</template>
      </SavedText>
      <PickedLinks label="Links" :links="piece.links" can-be-button :save="(links) => set({ links })" />
    </template>

    <template v-else-if="piece.kind === 'banner'">
      <p class="quiet">Pages without a banner of their own show that of their section, else this one.</p>
      <PictureField
        label="Picture"
        :value="piece.picture"
        :change="(picture) => ({ kind: 'setPiece', piece: { ...piece, picture } as Piece })"
      />
      <SavedText label="Text" :value="piece.text" :save="(text) => set({ text })" />
    </template>

    <template v-else-if="piece.kind === 'pager'">
      <LabelledChoice
        label="Links say"
        :options="shows"
        :model-value="piece.shows"
        @update:model-value="(value) => set({ shows: value })"
      />
      <Checkbox class="tick" :checked="piece.up" @change="set({ up: $event.target.checked })"
        >with a link up to the page above</Checkbox
      >
    </template>

    <template v-else-if="piece.kind === 'columns'">
      <SavedText label="Called" :value="piece.label" :save="(label) => set({ label })">
        <template #hint>for those who hear the page</template>
      </SavedText>
      <ColumnFields :columns="piece.columns" :save="(columns) => set({ columns })" />
    </template>

    <template v-else-if="piece.kind === 'contact'">
      <SavedText label="Heading" :value="piece.heading" :save="(heading) => set({ heading })" />
      <SavedText label="Lines" :rows="4" :value="piece.lines" :save="(lines) => set({ lines })">
        <template #hint
          >an e-mail address and a phone number become links; “Phone: …” keeps its word</template
        >
      </SavedText>
    </template>

    <SavedText
      v-else-if="piece.kind === 'address'"
      label="Lines"
      :rows="4"
      :value="piece.lines"
      :save="(lines) => set({ lines })"
    />

    <template v-else-if="piece.kind === 'copyright'">
      <SavedText
        label="Holder"
        :placeholder="settings.name"
        :value="piece.holder"
        :save="(holder) => set({ holder })"
      />
      <SavedText
        label="First year"
        placeholder="none"
        :value="piece.from === null ? '' : String(piece.from)"
        :save="saveYear"
      >
        <template #hint>the line runs to the year in which the site is made</template>
      </SavedText>
    </template>

    <SavedText
      v-else-if="piece.kind === 'text'"
      label="Text"
      :rows="6"
      :value="piece.text"
      :save="(text) => set({ text })"
    >
      <template #hint>an empty line begins a new paragraph</template>
    </SavedText>

    <SavedText
      v-else-if="piece.kind === 'html'"
      label="HTML"
      code
      :rows="12"
      :value="piece.html"
      :save="(html) => set({ html })"
    >
      <template #hint>
        <code>&lt;put-menu menu="Main" shape="row"&gt;</code>, <code>&lt;put-breadcrumb&gt;</code>,
        <code>&lt;put-pager&gt;</code>, <code>&lt;put-title&gt;</code> and <code>&lt;put-year&gt;</code> are
        filled in on each page
      </template>
    </SavedText>

    <p v-else class="quiet">
      {{
        piece.kind === 'heading'
          ? 'The first heading of each page stands here, in place of above its content.'
          : 'What it shows, and from which level on, is settled under Marks.'
      }}
    </p>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  margin-bottom: 10px;
  border-bottom: 2px solid var(--pine);
}

h2 {
  flex: 1;
  font-size: 17px;
}

.tick {
  display: flex;
  margin: 0 0 10px;
}

.doubts {
  margin: 0 0 12px;
  padding: 6px 8px 6px 24px;
  color: var(--brick);
  border: 1px solid var(--brick);
  border-radius: 3px;
}
</style>
