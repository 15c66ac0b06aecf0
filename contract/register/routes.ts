/** Routes of homes, tenancies, machines, labels, tables. */
import { MAX_IMPORT_MB } from '../form/limits.ts';
import { MANAGER, OFFICE, passing, read, refusing, write, type Made, wholeOffice } from '../route.ts';
import type { ImportAnswer, ImportSummary, ImportForm, KnownAnswer, TemplateSummary } from './bulk.ts';
import type {
  ContractForm,
  MachineChange,
  ManyMachines,
  MoveMachine,
  NewMachine,
  NewTemplate,
  NewUnits,
  RemoveUnits,
  RetireMachine,
  ShutoffPhoto,
  TemplateChange,
} from './machines.ts';
import type {
  BuildingEdit,
  EndTenancy,
  HeldPlaces,
  HoldPlace,
  HoldPlaces,
  HouseholdChange,
  NewBuilding,
  NewPlace,
  NewProperty,
  NewTenancy,
  PlaceEdit,
  PropertyChange,
  PropertyEdit,
  PropertySummary,
  TenancyChange,
  WalkingOrder,
} from './register.ts';

export const registerRoutes = {
  'homes.read': passing<{ answer: { properties: readonly PropertySummary[] } }>()(read('/homes', OFFICE)),
  'property.create': wholeOffice(passing<{ form: NewProperty; answer: Made }>()(write('POST', '/properties', MANAGER))),
  'property.change': passing<{ form: PropertyChange; answer: object }>()(
    write('POST', '/properties/:id/changes', MANAGER),
  ),
  'property.edit': passing<{ form: PropertyEdit; answer: object }>()(write('PUT', '/properties/:id', MANAGER)),
  'property.walk': passing<{ form: WalkingOrder; answer: object }>()(
    refusing(write('PUT', '/properties/:id/walking-order', MANAGER, 256), 'changed'),
  ),
  'property.remove': passing<{ answer: object }>()(refusing(write('DELETE', '/properties/:id', MANAGER, 0), 'inUse')),
  'building.edit': passing<{ form: BuildingEdit; answer: object }>()(write('PUT', '/buildings/:id', MANAGER)),
  'building.remove': passing<{ answer: object }>()(write('DELETE', '/buildings/:id', MANAGER, 0)),
  'place.edit': passing<{ form: PlaceEdit; answer: object }>()(write('PUT', '/places/:id', MANAGER)),
  'tenancy.reopen': passing<{ answer: object }>()(
    refusing(write('POST', '/tenancies/:id/reopening', MANAGER, 1), 'occupied'),
  ),
  'machine.shutoff': passing<{ form: ShutoffPhoto; answer: object }>()(
    write('PUT', '/machines/:id/shutoff', OFFICE, 1),
  ),
  'machine.restore': passing<{ answer: object }>()(write('POST', '/machines/:id/return', MANAGER, 1)),
  'template.change': wholeOffice(
    passing<{ form: TemplateChange; answer: object }>()(write('PUT', '/templates/:id', MANAGER, 64)),
  ),
  'building.create': passing<{ form: NewBuilding; answer: Made }>()(write('POST', '/buildings', MANAGER)),
  'place.create': passing<{ form: NewPlace; answer: Made }>()(write('POST', '/places', MANAGER)),
  'tenancy.create': passing<{ form: NewTenancy; answer: Made }>()(
    refusing(write('POST', '/tenancies', MANAGER), 'occupied'),
  ),
  'tenancy.change': passing<{ form: TenancyChange; answer: object }>()(
    refusing(write('PUT', '/tenancies/:id', MANAGER), 'occupied'),
  ),
  'tenancy.withdraw': passing<{ answer: object }>()(
    refusing(write('DELETE', '/tenancies/:id', MANAGER, 0), 'tenancyBegun'),
  ),
  'tenancy.household': passing<{ form: HouseholdChange; answer: object }>()(
    write('POST', '/tenancies/:id/household', MANAGER),
  ),
  'tenancy.link': passing<{ answer: { path: string; code: string } }>()(
    refusing(write('POST', '/tenancies/:id/links', MANAGER, 4, 30), 'tenancyEnded'),
  ),
  'tenancy.revoke': passing<{ answer: object }>()(write('DELETE', '/tenancies/:id/links', MANAGER, 0)),
  'machine.create': passing<{ form: NewMachine; answer: { id: string; points: readonly number[] } }>()(
    // Staff walk a home and write down what they find.
    write('POST', '/machines', OFFICE),
  ),
  'machine.change': passing<{ form: MachineChange; answer: object }>()(write('PUT', '/machines/:id', MANAGER)),
  'place.hold': passing<{ form: HoldPlace; answer: object }>()(write('POST', '/places/:id/hold', MANAGER)),
  'places.hold': passing<{ form: HoldPlaces; answer: HeldPlaces }>()(write('POST', '/holds', MANAGER, 4, 60)),
  'tenancy.end': passing<{ form: EndTenancy; answer: object }>()(
    refusing(write('POST', '/tenancies/:id/end', MANAGER), 'tenancyEnded'),
  ),
  'machine.contract': passing<{ form: ContractForm; answer: object }>()(
    write('PUT', '/machines/:id/contract', MANAGER),
  ),
  'machine.retire': passing<{ form: RetireMachine; answer: object }>()(
    refusing(write('POST', '/machines/:id/retirement', MANAGER), 'machineRetired'),
  ),
  'machine.remove': passing<{ answer: object }>()(refusing(write('DELETE', '/machines/:id', OFFICE, 0), 'inUse')),
  'machine.move': passing<{ form: MoveMachine; answer: object }>()(write('PUT', '/machines/:id/place', MANAGER)),
  'labels.read': { ...refusing(read('/labels/:scope/:id', MANAGER), 'noLabels'), perMinute: 60 },
  'templates.list': passing<{ answer: { templates: readonly TemplateSummary[] } }>()(read('/templates', MANAGER)),
  'template.create': wholeOffice(
    passing<{ form: NewTemplate; answer: Made }>()(write('POST', '/templates', MANAGER, 64)),
  ),
  'template.remove': wholeOffice(passing<{ answer: object }>()(write('DELETE', '/templates/:id', MANAGER, 0))),
  'template.ofPlace': passing<{ answer: TemplateSummary }>()(read('/places/:id/template', MANAGER)),
  'units.create': passing<{ form: NewUnits; answer: { ids: readonly string[]; points: number } }>()(
    write('POST', '/units', MANAGER, 128, 60),
  ),
  'units.remove': passing<{ form: RemoveUnits; answer: { removed: number } }>()(
    refusing(write('POST', '/units/removal', MANAGER, 32), 'inUse'),
  ),
  'machines.createMany': passing<{ form: ManyMachines; answer: { points: number } }>()(
    write('POST', '/machines/many', MANAGER, 64, 60),
  ),
  'register.known': passing<{ answer: KnownAnswer }>()(read('/register/known', MANAGER)),
  'register.exportAll': wholeOffice({ ...read('/export', MANAGER), perMinute: 4 }),
  'register.export': read('/register/table', MANAGER),
  'register.import': wholeOffice(
    passing<{ form: ImportForm; answer: ImportAnswer }>()(
      refusing(
        write('POST', '/register/table', MANAGER, (MAX_IMPORT_MB + 1) * 1024, 12),
        'noRows',
        'rows',
        'tooManyRows',
        'stopped',
      ),
    ),
  ),
  'imports.list': wholeOffice(
    passing<{ answer: { imports: readonly ImportSummary[] } }>()(read('/register/imports', MANAGER)),
  ),
  'import.undo': wholeOffice(
    passing<{ answer: object }>()(
      refusing(write('POST', '/register/imports/:id/undo', MANAGER, 1, 30), 'importUndone', 'inUse'),
    ),
  ),
} as const;
