export { beltOptions } from './belts.ts';
export { useListClientsQuery } from './api.ts';
export { ClientPage } from './ClientPage.tsx';
export { ClientsPage } from './ClientsPage.tsx';
export { MyCritiquesPage } from './MyCritiquesPage.tsx';
