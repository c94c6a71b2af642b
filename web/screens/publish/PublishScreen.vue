<script setup lang="ts">
import { Alert, Spin } from 'ant-design-vue'
import { type Component, computed, onBeforeUnmount } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import { usePublishing } from '../../stores/publishing.ts'
import StopLayout from '../site/StopLayout.vue'
import ChangesBoard from './ChangesBoard.vue'
import HostBoard from './HostBoard.vue'
import HostList from './HostList.vue'
import NewHost from './NewHost.vue'
import PublicationResult from './PublicationResult.vue'
import PublicationsBoard from './PublicationsBoard.vue'
import UnderWay from './UnderWay.vue'
import VisitorsBoard from './VisitorsBoard.vue'

interface View {
  readonly name: string
  readonly label: string
  readonly board: Component
}

const publishing = usePublishing()
onBeforeUnmount(publishing.keepUp())

const views = computed((): readonly View[] => [
  { name: '', label: 'Changes', board: ChangesBoard },
  { name: 'publications', label: 'Publications', board: PublicationsBoard },
  // What visitors ask for is known of the stand-in host alone.
  ...(publishing.host?.settings.way.by === 'stand-in'
    ? [{ name: 'visitors', label: 'Visitors', board: VisitorsBoard }]
    : []),
  { name: 'host', label: 'Host settings', board: HostBoard },
])
const route = useRoute()
const view = computed(
  () => views.value.find(({ name }) => name === (route.params['view'] ?? '')) ?? views.value[0]!,
)
</script>

<template>
  <StopLayout details-label="" :has-details="false">
    <h1 class="unseen">Publish: {{ view.label }}</h1>
    <Alert v-if="publishing.fault" :message="publishing.fault" type="error" show-icon class="fault" />
    <Spin v-if="!publishing.about && !publishing.fault" class="waits" />
    <div v-else-if="publishing.about" class="stop">
      <HostList />
      <section v-if="publishing.host" class="host" :aria-label="publishing.host.settings.name">
        <ViewNav
          label="Views of the publication"
          stop="publish"
          :views="views"
          :shown="view.name"
          class="views"
        />
        <UnderWay />
        <PublicationResult />
        <component :is="view.board" :key="publishing.chosenId" />
      </section>
      <NewHost v-else />
    </div>
  </StopLayout>
</template>

<style scoped>
.stop {
  display: grid;
  flex: 1;
  grid-template-columns: 176px minmax(0, 1fr);
  gap: 0 20px;
  min-height: 0;
}

.host {
  display: flex;
  flex-direction: column;
  min-width: 0;
}

.views {
  margin-bottom: 10px;
}

.fault {
  position: sticky;
  top: 0;
  z-index: 1;
  margin-bottom: 10px;
}

.waits {
  margin: 40px auto;
}

@media (max-width: 960px) {
  .stop {
    grid-template-rows: auto 1fr;
    grid-template-columns: minmax(0, 1fr);
    gap: 10px 0;
  }
}
</style>
