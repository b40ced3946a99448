/** The database that those of the tests are copied from, and the roles it is reached by. */
export const TEMPLATE = 't_template';
/** How those begin that have the demo school in them. */
export const DEMO_TEMPLATE = 't_demo';
const password = 'tests-only';
export const ROLES = { app: { name: 'test_app', password }, auth: { name: 'test_auth', password } };
