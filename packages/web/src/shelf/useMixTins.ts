import { canBeMixed, has, pigmentTable, sameTint, type Ingredient, type Material } from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';

/** What is on every shop's shelf, by its pigment. */
const MIX_METALS = [
  'aluminium-flake',
  'gold-mica',
  'carbon-black',
  'burnt-umber',
  'red-iron-oxide',
  'yellow-ochre',
] as const;
const basics = [
  'titanium-white',
  'carbon-black',
  'arylide-yellow',
  'yellow-ochre',
  'naphthol-red',
  'red-iron-oxide',
  'ultramarine',
  'phthalo-blue',
  'phthalo-green',
  'burnt-umber',
] as const;

/** A tin that a mix can be made from: on the shelf, or to be bought. */
export interface Tin extends Ingredient {
  key: string;
  label: string;
  isOwn: boolean;
}

/**
 * The tins that stir into a paint: those on the shelf, and what every shop has where those are few or it is asked for.
 * @param wanted the paint it is to be used as; any that comes in colours where it does not
 */
export function useMixTins(wanted: () => Material | undefined) {
  const store = useBuild();
  const materials = useMaterials();
  const usedAs = computed(() => {
    const material = wanted();
    if (material && canBeMixed(material)) return material;
    return [...materials.known.values()].find(canBeMixed);
  });
  /** Only what stirs into it: of the same binder and thinner, and flakes only into flakes. */
  const canMix = (other: Material): boolean =>
    usedAs.value !== undefined &&
    canBeMixed(other) &&
    other.binder === usedAs.value.binder &&
    other.carrier === usedAs.value.carrier &&
    has(other, 'metallic') === has(usedAs.value, 'metallic');
  const owned = computed((): Tin[] => {
    const found: Tin[] = [];
    for (const tin of store.build?.stock ?? []) {
      const material = materials.known.get(tin.material);
      if (!material || !tin.colour || !canMix(material) || tin.remainingMl <= 0) continue;
      const colour = tin.colour;
      if (found.some((one) => one.material.id === material.id && sameTint(one.colour, colour))) continue;
      found.push({
        key: `own ${tin.material} ${colour}`,
        label: material.name,
        material,
        colour,
        isOwn: true,
      });
    }
    return found;
  });
  const buyable = computed((): Tin[] => {
    const material = usedAs.value;
    if (!material) return [];
    return (has(material, 'metallic') ? MIX_METALS : basics).map((id) => ({
      key: `buy ${id}`,
      label: pigmentTable[id].name,
      material,
      colour: pigmentTable[id].masstone,
      isOwn: false,
    }));
  });
  const alsoBuyable = ref(false);
  watch(
    () => owned.value.length,
    (count) => (alsoBuyable.value = count < 2),
    { immediate: true },
  );
  const tins = computed(() => [...owned.value, ...(alsoBuyable.value ? buyable.value : [])]);
  const left = ref(new Set<string>());
  const used = computed(() => tins.value.filter(({ key }) => !left.value.has(key)));
  function toggle(key: string): void {
    const next = new Set(left.value);
    if (!next.delete(key)) next.add(key);
    left.value = next;
  }
  const labelOf = ({ material, colour }: Ingredient) =>
    tins.value.find((one) => one.material.id === material.id && one.colour === colour)?.label ??
    material.name;
  return { usedAs, tins, left, toggle, used, alsoBuyable, labelOf };
}
