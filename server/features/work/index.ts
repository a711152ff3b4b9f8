export { workCalendar } from './calendar.ts';
export { endWorkThatHolds, remindOfWork } from './chores.ts';
export { insertPain, insertWork, putDone, putTraining } from './repository.ts';
