export { workCalendar } from './calendar.ts';
export { practiceByPrinciple } from './practised.ts';
export { findOpenWork, remindOfWork } from './reminders.ts';
export { changeWork, findWorkFor, insertPain, insertWork, putDone, putTraining } from './repository.ts';
export { keepVerdict } from './verdict.ts';
export { clientsNow } from './training.ts';
