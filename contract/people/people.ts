/** Signing in, the first run, people. */
import { array, object, string, type InferType } from 'yup';
import { id, line } from '../form/fields.ts';

export const ROLES = ['manager', 'staff', 'tenant', 'contractor', 'owner'] as const;
export type Role = (typeof ROLES)[number];

const email = () => string().trim().lowercase().email().max(200);
const newPassword = () => string().min(10, 'field.password').max(200);

export const signIn = object({ email: email().required(), password: string().max(200).required() });
export const firstRun = object({
  organisation: line().required(),
  name: line().required(),
  email: email().required(),
  password: newPassword().required(),
});
export const exchangeLink = object({ token: string().max(100).required() });
export const newPerson = object({
  id: id().required(),
  name: line().required(),
  email: email().required(),
  password: newPassword().required(),
  roles: array()
    .of(
      string()
        .oneOf(['manager', 'staff'] as const)
        .required(),
    )
    .min(1)
    .required(),
});
export type SignIn = InferType<typeof signIn>;
export type FirstRun = InferType<typeof firstRun>;
export type NewPerson = InferType<typeof newPerson>;

/** Who is signed in, as the web sees it. */
export interface Me {
  readonly id: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly organisation: string;
}

export interface SessionAnswer {
  readonly me: Me | null;
  /** To be sent back in `X-CSRF-Token` with every write. */
  readonly csrf: string | null;
  /** Nobody has an account yet: show the first-run page. */
  readonly firstRun: boolean;
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
  readonly roles: readonly Role[];
}
