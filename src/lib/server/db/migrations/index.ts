import type { Knex } from 'knex';
import * as kitchens from './0001_kitchens.ts';
import * as ingredients from './0002_ingredients.ts';
import * as ingredientCompositions from './0003_ingredient_compositions.ts';
import * as pricePacks from './0004_price_packs.ts';
import * as formulas from './0005_formulas.ts';
import * as formulaLines from './0006_formula_lines.ts';
import * as products from './0007_products.ts';
import * as batches from './0008_batches.ts';
import * as batchLines from './0009_batch_lines.ts';
import * as weighings from './0010_weighings.ts';
import * as weighingsAppendOnly from './0011_weighings_append_only.ts';
import * as sales from './0012_sales.ts';
import * as salesAppendOnly from './0013_sales_append_only.ts';
import * as kitchenMeasureSet from './0014_kitchen_measure_set.ts';
import * as compositionEvidence from './0015_composition_evidence.ts';
import * as ingredientMeasures from './0016_ingredient_measures.ts';
import * as mixes from './0017_mixes.ts';
import * as formulaProcess from './0018_formula_process.ts';
import * as formulaDrafts from './0019_formula_drafts.ts';
import * as formulaLineWords from './0020_formula_line_words.ts';
import * as rememberedNames from './0021_remembered_names.ts';
import * as families from './0022_families.ts';
import * as productDiscs from './0023_product_discs.ts';
import * as labels from './0024_labels.ts';
import * as labelRevisions from './0025_label_revisions.ts';
import * as labelRevisionsAppendOnly from './0026_label_revisions_append_only.ts';
import * as batchLabel from './0027_batch_label.ts';
import * as kitchenAddress from './0028_kitchen_address.ts';
import * as packChecks from './0029_pack_checks.ts';
import * as equipment from './0030_equipment.ts';
import * as cleans from './0031_cleans.ts';
import * as standingRisks from './0032_standing_risks.ts';
import * as contactDecisions from './0033_contact_decisions.ts';
import * as mayContain from './0034_may_contain.ts';
import * as labelRules from './0035_label_rules.ts';
import * as localProfiles from './0036_local_profiles.ts';
import * as printJobs from './0037_print_jobs.ts';
import * as batchCounts from './0038_batch_counts.ts';
import * as batchClosings from './0039_batch_closings.ts';
import * as benchWeighings from './0040_bench_weighings.ts';
import * as batchEvents from './0041_batch_events.ts';
import * as lots from './0042_lots.ts';
import * as lotMoves from './0043_lot_moves.ts';
import * as weighingLot from './0044_weighing_lot.ts';
import * as saleKinds from './0045_sale_kinds.ts';
import * as packsGiven from './0046_packs_given.ts';
import * as salePayments from './0047_sale_payments.ts';
import * as salesGiven from './0048_sales_given.ts';
import * as leftAndOnHand from './0049_left_and_on_hand.ts';
import * as runningCosts from './0050_running_costs.ts';
import * as closingCosts from './0051_closing_costs.ts';
import * as kitchenOpened from './0052_kitchen_opened.ts';
import * as pastSales from './0053_past_sales.ts';
import * as salesMonths from './0054_sales_months.ts';
import * as salesByDayAndBatch from './0055_sales_by_day_and_batch.ts';
import * as salesTotal from './0056_sales_total.ts';
import * as entryNumbers from './0057_entry_numbers.ts';
import * as batchStandings from './0058_batch_standings.ts';
import * as kitchenVersion from './0059_kitchen_version.ts';
import * as changes from './0060_changes.ts';
import * as standingsAnew from './0061_standings_anew.ts';
import * as refined from './0062_refined.ts';
import * as lastUse from './0063_last_use.ts';
import * as shelfTests from './0064_shelf_tests.ts';
import * as shelfPictures from './0065_shelf_pictures.ts';
import * as takenLabels from './0066_taken_labels.ts';
import * as ownMeasures from './0067_own_measures.ts';
import * as locale from './0068_locale.ts';
import * as batchCooking from './0069_batch_cooking.ts';
import * as tillCounts from './0070_till_counts.ts';
import * as shortPacks from './0071_short_packs.ts';
import * as people from './0072_people.ts';
import * as whoDidIt from './0073_who_did_it.ts';
import * as kitchenNotOpened from './0074_kitchen_not_opened.ts';
import * as customersErased from './0075_customers_erased.ts';
import * as howSure from './0076_how_sure.ts';
import * as orders from './0077_orders.ts';
import * as soldOut from './0078_sold_out.ts';
import * as plans from './0079_plans.ts';
import * as tools from './0080_tools.ts';
import * as trials from './0081_trials.ts';
import * as practice from './0082_practice.ts';
import * as feed from './0083_feed.ts';
import * as jobs from './0084_jobs.ts';
import * as kitchensLife from './0085_kitchens_life.ts';
import * as limits from './0086_limits.ts';
import * as creations from './0087_creations.ts';
import * as proofs from './0088_proofs.ts';
import * as deviceTokens from './0089_device_tokens.ts';
import * as whereFrom from './0090_where_from.ts';
import * as ceremonies from './0091_ceremonies.ts';
import * as packsAsCounted from './0092_packs_as_counted.ts';
import * as leftEntries from './0093_left_entries.ts';
import * as usageCounted from './0094_usage_counted.ts';
import * as shortPacksStand from './0095_short_packs_stand.ts';

/** Every migration by name, in order. A new one goes at the end; one that has shipped never changes. */
export const MIGRATIONS: [name: string, migration: Knex.Migration][] = [
	['0001_kitchens', kitchens],
	['0002_ingredients', ingredients],
	['0003_ingredient_compositions', ingredientCompositions],
	['0004_price_packs', pricePacks],
	['0005_formulas', formulas],
	['0006_formula_lines', formulaLines],
	['0007_products', products],
	['0008_batches', batches],
	['0009_batch_lines', batchLines],
	['0010_weighings', weighings],
	['0011_weighings_append_only', weighingsAppendOnly],
	['0012_sales', sales],
	['0013_sales_append_only', salesAppendOnly],
	['0014_kitchen_measure_set', kitchenMeasureSet],
	['0015_composition_evidence', compositionEvidence],
	['0016_ingredient_measures', ingredientMeasures],
	['0017_mixes', mixes],
	['0018_formula_process', formulaProcess],
	['0019_formula_drafts', formulaDrafts],
	['0020_formula_line_words', formulaLineWords],
	['0021_remembered_names', rememberedNames],
	['0022_families', families],
	['0023_product_discs', productDiscs],
	['0024_labels', labels],
	['0025_label_revisions', labelRevisions],
	['0026_label_revisions_append_only', labelRevisionsAppendOnly],
	['0027_batch_label', batchLabel],
	['0028_kitchen_address', kitchenAddress],
	['0029_pack_checks', packChecks],
	['0030_equipment', equipment],
	['0031_cleans', cleans],
	['0032_standing_risks', standingRisks],
	['0033_contact_decisions', contactDecisions],
	['0034_may_contain', mayContain],
	['0035_label_rules', labelRules],
	['0036_local_profiles', localProfiles],
	['0037_print_jobs', printJobs],
	['0038_batch_counts', batchCounts],
	['0039_batch_closings', batchClosings],
	['0040_bench_weighings', benchWeighings],
	['0041_batch_events', batchEvents],
	['0042_lots', lots],
	['0043_lot_moves', lotMoves],
	['0044_weighing_lot', weighingLot],
	['0045_sale_kinds', saleKinds],
	['0046_packs_given', packsGiven],
	['0047_sale_payments', salePayments],
	['0048_sales_given', salesGiven],
	['0049_left_and_on_hand', leftAndOnHand],
	['0050_running_costs', runningCosts],
	['0051_closing_costs', closingCosts],
	['0052_kitchen_opened', kitchenOpened],
	['0053_past_sales', pastSales],
	['0054_sales_months', salesMonths],
	['0055_sales_by_day_and_batch', salesByDayAndBatch],
	['0056_sales_total', salesTotal],
	['0057_entry_numbers', entryNumbers],
	['0058_batch_standings', batchStandings],
	['0059_kitchen_version', kitchenVersion],
	['0060_changes', changes],
	['0061_standings_anew', standingsAnew],
	['0062_refined', refined],
	['0063_last_use', lastUse],
	['0064_shelf_tests', shelfTests],
	['0065_shelf_pictures', shelfPictures],
	['0066_taken_labels', takenLabels],
	['0067_own_measures', ownMeasures],
	['0068_locale', locale],
	['0069_batch_cooking', batchCooking],
	['0070_till_counts', tillCounts],
	['0071_short_packs', shortPacks],
	['0072_people', people],
	['0073_who_did_it', whoDidIt],
	['0074_kitchen_not_opened', kitchenNotOpened],
	['0075_customers_erased', customersErased],
	['0076_how_sure', howSure],
	['0077_orders', orders],
	['0078_sold_out', soldOut],
	['0079_plans', plans],
	['0080_tools', tools],
	['0081_trials', trials],
	['0082_practice', practice],
	['0083_feed', feed],
	['0084_jobs', jobs],
	['0085_kitchens_life', kitchensLife],
	['0086_limits', limits],
	['0087_creations', creations],
	['0088_proofs', proofs],
	['0089_device_tokens', deviceTokens],
	['0090_where_from', whereFrom],
	['0091_ceremonies', ceremonies],
	['0092_packs_as_counted', packsAsCounted],
	['0093_left_entries', leftEntries],
	['0094_usage_counted', usageCounted],
	['0095_short_packs_stand', shortPacksStand]
];
