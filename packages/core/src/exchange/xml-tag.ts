/** An element for the XML builder, which keeps the order of what it is given. */
type Attributes = Readonly<Record<string, string | number>>;
export type Node = Readonly<Record<string, unknown>>;

export const tag = (
  name: string,
  children: readonly Node[] | string | number = [],
  attributes?: Attributes,
): Node => ({
  [name]: typeof children === 'object' ? children : [{ '#text': String(children) }],
  ...(attributes
    ? {
        ':@': Object.fromEntries(
          Object.entries(attributes).map(([key, value]) => [`@_${key}`, String(value)]),
        ),
      }
    : {}),
});
