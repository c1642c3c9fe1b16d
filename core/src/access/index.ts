export { actOfEntry, acts, actToWrite, roleMay, roles, roleWords, type Act, type Role } from './roles';
export { routeNeeds, routeRules, type RouteNeeds } from './routeRules';
export { admit, admitAct, type Asker, type Keeping } from './admit';
