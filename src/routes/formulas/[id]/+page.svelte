<script lang="ts">
	import FormulaSheet from './FormulaSheet.svelte';

	let { data } = $props();
</script>

<!-- Each formula has a sheet of its own: what is on its way of one never becomes another's. -->
{#key data.draft.id}<FormulaSheet {data} />{/key}
