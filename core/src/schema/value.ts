import type {
  ChoiceField,
  ConstantField,
  EitherField,
  FigureField,
  FlagField,
  ListField,
  MapField,
  NumberField,
  OpenField,
  RecordField,
  TextField,
  TupleField,
  VariantField,
  YesField,
} from './field'

type Flat<T> = { readonly [K in keyof T]: T[K] }
type OptionalKeys<R> = { [K in keyof R]: R[K] extends { readonly optional: true } ? K : never }[keyof R]

/** What a record of these fields holds. */
type RecordValue<R> = Flat<
  { readonly [K in Exclude<keyof R, OptionalKeys<R>>]: Value<R[K]> } & {
    readonly [K in OptionalKeys<R>]?: Value<R[K]>
  }
>

type Words<F> = F extends { readonly words?: readonly (infer W)[] } ? W : string

/** The type of what a field holds: made from its declaration, so that the two cannot differ. */
export type Value<F> = F extends NumberField
  ? number
  : F extends ConstantField
    ? F['is']
    : F extends FigureField
      ? F['among'][number]
      : F extends ChoiceField
        ? F['choices'][number]
        : F extends TextField
          ? string
          : F extends FlagField
            ? true
            : F extends YesField
              ? boolean
              : F extends EitherField
                ? number | Words<F>
                : F extends RecordField
                  ? RecordValue<F['fields']>
                  : F extends MapField
                    ? Readonly<Record<string, Value<F['of']>>>
                    : F extends VariantField
                      ? {
                          [K in keyof F['of']]: Flat<{ readonly kind: K } & RecordValue<F['of'][K]['fields']>>
                        }[keyof F['of']]
                      : F extends ListField
                        ? readonly Value<F['of']>[]
                        : F extends TupleField
                          ? { readonly [I in keyof F['items']]: Value<F['items'][I]> }
                          : F extends OpenField
                            ? Readonly<Record<string, unknown>>
                            : never

/** The member of a variant that is of one kind. */
export type OfKind<V extends VariantField, K extends keyof V['of']> = Extract<Value<V>, { readonly kind: K }>
