<script setup lang="ts">
import { sayMl, type PlannedOperation } from '@fixatum/core';
import { watch } from 'vue';
import { useTinCheck, type TinCheck } from './useTinCheck';

/** What the passes at hand take, and whether the tin that is used first has it; else which one to have ready. */
const props = defineProps<{ passes: readonly PlannedOperation[] }>();
const emit = defineEmits<{ check: [check: TinCheck | undefined] }>();
const check = useTinCheck(() => props.passes);
watch(check, (said) => emit('check', said), { immediate: true });
</script>

<template>
  <p
    v-if="check"
    class="tin small"
    :class="{ short: check.isKept && check.all < check.ml }"
    data-testid="tin-check"
  >
    Takes about {{ sayMl(check.ml) }}<template v-if="!check.isKept">.</template
    ><template v-else-if="check.open === undefined">. ▲ None is left on the shelf.</template
    ><template v-else-if="check.all < check.ml"
      >. ▲ There are only {{ sayMl(check.all) }} on the shelf.</template
    ><template v-else-if="check.open < check.ml"
      >; {{ sayMl(check.open) }} in the open one, have the next ready.</template
    ><template v-else>; {{ sayMl(check.open) }} in the tin.</template>
  </p>
</template>

<style scoped>
.tin {
  margin-top: 8px;
}

.short {
  font-weight: 600;
  color: rgb(var(--v-theme-warning));
}
</style>
