<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useProof } from '../stores/proof.ts'
import { placeOfStop, type Stop, STOPS } from '../stops.ts'

defineProps<{ siteId: string }>()
const route = useRoute()
const proof = useProof()
const faults = computed(() => proof.counts.error)

const isHere = (stop: Stop) => route.name === stop.name
</script>

<template>
  <nav class="route" aria-label="Stops">
    <ol>
      <li v-for="stop in STOPS" :key="stop.name" :class="{ here: isHere(stop) }">
        <RouterLink :to="placeOfStop(stop, siteId)" :aria-current="isHere(stop) ? 'page' : undefined">
          <span class="dot" aria-hidden="true" />
          <span class="name">{{ stop.label }}</span>
          <span v-if="stop.name === 'proof' && faults > 0" class="faults"
            >{{ faults }}<span class="unseen">{{ faults === 1 ? ' error' : ' errors' }}</span></span
          >
        </RouterLink>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.route ol {
  display: flex;
  margin: 0;
  padding: 0;
  list-style: none;
}

.route li {
  position: relative;
  width: 132px;
  text-align: center;
}

.route li + li::before {
  content: '';
  position: absolute;
  top: 13px;
  left: -66px;
  width: 132px;
  height: 3px;
  background: var(--moss);
}

.route a {
  position: relative;
  display: block;
  color: #fff;
  font-family: var(--sign);
  font-size: 14px;
  font-weight: 500;
  text-decoration: none;
}

.route a:hover .name {
  text-decoration: underline;
}

.route a:focus-visible {
  outline: 2px solid #fff;
}

.dot {
  position: relative;
  z-index: 1;
  display: block;
  width: 15px;
  height: 15px;
  margin: 7px auto 8px;
  background: #fff;
  border: 3px solid #fff;
  border-radius: 50%;
}

.here .dot {
  width: 25px;
  height: 25px;
  margin: 2px auto 3px;
  background: var(--ochre);
}

.here a {
  font-weight: 600;
}

.faults {
  position: absolute;
  top: 0;
  left: calc(50% + 14px);
  z-index: 2;
  min-width: 18px;
  padding: 0 5px;
  color: #fff;
  background: var(--brick);
  border-radius: 9px;
  font: 600 12px/18px var(--sign);
}

@media (max-width: 820px) {
  .route li {
    flex: 1;
    width: auto;
  }

  .route li + li::before {
    top: 11px;
    left: -50%;
    width: 100%;
  }

  .route a {
    font-size: 13px;
  }

  .dot {
    margin: 5px auto 2px;
  }

  .here .dot {
    width: 19px;
    height: 19px;
    margin: 3px auto 0;
  }
}

@media (min-width: 821px) and (max-width: 1180px) {
  .route li {
    width: 96px;
  }

  .route li + li::before {
    left: -48px;
    width: 96px;
  }
}
</style>
