<script setup lang="ts">
import { sayMoment, sayWait } from '@fixatum/core';
import { mdiCellphoneLink, mdiCellphoneRemove } from '@mdi/js';
import { useIntervalFn } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { api, type DevicesAnswer, type Me } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMe } from '../shared/me';
import { useNotice } from '../shared/notice';
import WorkshopPanel from './WorkshopPanel.vue';

/** Who else may use this workshop: a switch for the network, a code that pairs one device, and what is paired. */
const store = useBuild();
const notice = useNotice();
const me = useMe();
const state = ref<DevicesAnswer>();
const role = ref<Me['role']>('helper');
const picture = ref<string>();
const busy = ref(false);
const nowMs = ref(Date.now());

async function run(work: () => Promise<DevicesAnswer>): Promise<void> {
  busy.value = true;
  try {
    state.value = await work();
  } catch (error) {
    notice.complain(error);
  } finally {
    busy.value = false;
  }
}
onMounted(() => run(api.devices));
/** A code is used up a moment before its device asks: it is looked for a while longer. */
const AFTER_MS = 15_000;
let offeredMs = 0;
// A code that was used shows as a device; one that is too old goes.
useIntervalFn(() => {
  nowMs.value = Date.now();
  if (offer.value || (state.value?.asking.length ?? 0) > 0) offeredMs = nowMs.value;
  if (nowMs.value - offeredMs < AFTER_MS)
    void api.devices().then(
      (answer) => (state.value = answer),
      () => undefined,
    );
}, 2000);

const offer = computed(() => state.value?.offer ?? undefined);
const address = computed(() => state.value?.sharing.urls[0]);
const secondsLeft = computed(() =>
  offer.value ? Math.max(0, (Date.parse(offer.value.until) - nowMs.value) / 1000) : 0,
);
const pairUrl = computed(() =>
  offer.value && address.value ? `${address.value}/pair?code=${offer.value.code}` : undefined,
);
watch(pairUrl, async (url) => {
  if (url === undefined) return (picture.value = undefined);
  const { toDataURL } = await import('qrcode');
  picture.value = await toDataURL(url, { width: 220, margin: 2 });
});

const words = {
  finisher: 'Finisher: may do everything',
  helper: 'Helper: bench and run sheets; logs, times and photographs',
};
const seen = (iso: string) => sayMoment(Math.floor(Date.parse(iso) / 60_000), store.theBuild.timeZone);
</script>

<template>
  <WorkshopPanel v-if="state" id="devices" class="devices" title="Phones and helpers">
    <p class="quiet">
      Phones and other computers on your home network can use this workshop once they are paired. Nothing gets
      in without that. What they send is not encrypted on the way, so share on a network you trust, not in a
      café or a hall.
    </p>
    <v-switch
      :model-value="state.sharing.on"
      :disabled="busy || (me.device !== null && !state.sharing.on)"
      label="Share on this network"
      hide-details
      color="primary"
      @update:model-value="run(() => api.setSharing($event === true))"
    />
    <p class="small">
      <template v-if="state.sharing.on"
        >On: paired devices find it at <strong>{{ state.sharing.urls.join(' and ') }}</strong>, until you
        switch it off or the program stops.</template
      >
      <template v-else>Off: only this computer can reach it.</template>
    </p>

    <template v-if="state.sharing.on">
      <div v-if="offer && pairUrl" class="offer">
        <img
          v-if="picture"
          :src="picture"
          width="220"
          height="220"
          alt="A square code with the address and the six figures"
        />
        <div>
          <p>
            Point the phone’s camera at the square, or open <strong>{{ address }}</strong> there and type
          </p>
          <p class="code figures" aria-label="Six figures">
            {{ offer.code.slice(0, 3) }} {{ offer.code.slice(3) }}
          </p>
          <p class="small quiet">
            One {{ offer.role }} may ask with it, and comes in when you let it in here. Good for
            {{ sayWait(Math.max(1, Math.floor(secondsLeft / 60))) }} more.
          </p>
        </div>
      </div>
      <div v-else class="pair">
        <v-radio-group v-model="role" inline hide-details aria-label="What the new device may do">
          <v-radio v-for="(word, value) in words" :key="value" :label="word" :value="value" />
        </v-radio-group>
        <v-btn :prepend-icon="mdiCellphoneLink" :loading="busy" @click="run(() => api.offerPairing(role))"
          >Pair a device</v-btn
        >
      </div>
    </template>

    <ul v-if="state.asking.length > 0" class="paired" aria-label="Devices that ask to come in">
      <li v-for="one in state.asking" :key="one.id" role="alert">
        <span
          ><strong>{{ one.name }}</strong> asks to come in, as {{ one.role }}</span
        >
        <template v-if="me.device === null">
          <v-btn
            size="small"
            variant="flat"
            color="primary"
            :aria-label="`Let ${one.name} in`"
            @click="run(() => api.answerAsking(one.id, true))"
            >Let it in</v-btn
          >
          <v-btn
            size="small"
            variant="text"
            :aria-label="`Turn ${one.name} away`"
            @click="run(() => api.answerAsking(one.id, false))"
            >No</v-btn
          >
        </template>
        <span v-else class="small quiet">It is let in at the computer itself.</span>
      </li>
    </ul>
    <ul v-if="state.devices.length > 0" class="paired" aria-label="Paired devices">
      <li v-for="device in state.devices" :key="device.id">
        <span
          ><strong>{{ device.name }}</strong> · {{ device.role
          }}<template v-if="device.id === me.device?.id"> · this device</template></span
        >
        <span class="small quiet">last seen {{ seen(device.lastSeenAt) }}</span>
        <v-btn
          size="small"
          variant="text"
          :prepend-icon="mdiCellphoneRemove"
          :aria-label="`Take back ${device.name}`"
          @click="run(() => api.takeBackDevice(device.id))"
          >Take back</v-btn
        >
      </li>
    </ul>
    <p v-else class="small quiet">No device is paired.</p>
  </WorkshopPanel>
</template>

<style scoped>
.offer {
  display: flex;
  flex-wrap: wrap;
  gap: 24px;
  align-items: center;
  margin: 16px 0;
}

.offer img {
  border-radius: 6px;
}

.offer > div {
  flex: 1 1 280px;
}

.code {
  font-size: 2.6rem;
  letter-spacing: 0.08em;
  line-height: 1.3;
}

.pair {
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: flex-start;
  margin: 12px 0;
}

.paired {
  list-style: none;
  padding: 0;
  margin-top: 16px;
}

.paired li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 16px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
</style>
