// How to sign in to the demo school: invented people, and a password that protects invented data only.
export const DEMO_PASSWORD = 'reeds-and-rope';
export const DEMO_SIGN_INS = [
  { role: 'head instructor', name: 'Maren Holt', email: 'maren@causewayhall.example' },
  { role: 'instructor', name: 'Idris Vane', email: 'idris@causewayhall.example' },
  { role: 'examiner', name: 'Odile Farrow', email: 'odile@causewayhall.example' },
  { role: 'student', name: 'Ilse Marrow', email: 'ilse@causewayhall.example' },
  { role: 'guardian of Ilse', name: 'Aldous Marrow', email: 'aldous@causewayhall.example' },
];
