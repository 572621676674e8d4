/** As much of an OpenAPI description as the reference tells of. */
interface Described {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation | readonly Parameter[]>>>>;
}

interface Operation {
  readonly summary: string;
  readonly parameters?: readonly Parameter[];
  readonly requestBody?: { readonly content: Content };
  readonly responses: Readonly<Record<string, { readonly content?: Content }>>;
}

interface Parameter {
  readonly name: string;
  readonly in: string;
  readonly required?: boolean;
  readonly schema: Shape;
}

type Content = Readonly<Record<string, { readonly schema?: Shape }>>;

interface Shape {
  readonly type?: string | readonly string[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly items?: Shape;
  readonly enum?: readonly unknown[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
}

const METHODS = ['get', 'post', 'put', 'delete'] as const;
/** How far into an object its fields are told; deeper, the machine-readable description goes on. */
const DEPTH = 2;
/** Fields told once are not told again. */
const FEW_LINES = 4;

/** The reference of the HTTP face that people read, as Markdown: one heading a resource, one a route. */
export function httpReference({ paths }: Described): string {
  const rooms = new Map<string, string[]>();
  const told = new Map<string, string>();
  for (const [path, operations] of Object.entries(paths)) {
    const room = path.split('/')[2]?.replace(/[.].*/, '') ?? '';
    const routes = METHODS.flatMap((method) => {
      const operation = operations[method] as Operation | undefined;
      return operation ? [routeText(`${method.toUpperCase()} ${path}`, operation, told)] : [];
    });
    rooms.set(room, [...(rooms.get(room) ?? []), ...routes]);
  }
  const parts = [...rooms].map(([room, all]) => `## ${room}\n\n${all.join('\n\n')}`);
  return `${HEAD}\n\n${parts.join('\n\n')}\n`;
}

const HEAD = `# The HTTP face

While the program runs, everything the page does can be asked over HTTP, from this machine alone. This is made by \`npm run publish-docs\` from the one table that the server answers by; \`GET /api/openapi.json\` says the same to a machine, in full.

Bodies are JSON and say so (\`Content-Type: application/json\`). Units are in the names: \`Mm\`, \`Um\`, \`Deg\`, \`Mm2\`, \`Mm3\`, \`N\`, \`Min\`. What is refused comes as problem details (RFC 9457): \`detail\` is a sentence, \`errors\` names each field. A change names the \`version\` it was made from; one made from an older one gets 409. A star marks what has to be there.`;

const KEPT = /^- `(id|version|createdAt|updatedAt)`/;

function routeText(name: string, operation: Operation, told: Map<string, string>): string {
  const [[status, done] = ['200', {}]] = Object.entries(operation.responses);
  const sent = operation.requestBody?.content['application/json']?.schema;
  const answer = done.content?.['application/json']?.schema;
  const files = Object.keys(done.content ?? {}).filter((kind) => kind !== 'application/json');
  const asked = (operation.parameters ?? []).map((each) =>
    line(each.name, each.schema, each.required === true, 0),
  );
  const listed = (what: string, lines: readonly string[]): readonly string[] => {
    if (lines.length === 0) return [];
    // What the server keeps beside every stored thing is told apart from the thing itself.
    const [kept, own] = [lines.filter((each) => KEPT.test(each)), lines.filter((each) => !KEPT.test(each))];
    const text = own.join('\n');
    const before = told.get(text);
    if (before !== undefined) {
      return [
        `${what} the fields of _${before}_${kept.length > 0 ? ', with:' : '.'}`,
        ...(kept.length > 0 ? [kept.join('\n')] : []),
      ];
    }
    if (own.length > FEW_LINES) told.set(text, `${name}: ${what.toLowerCase()}`);
    return [`${what}:`, lines.join('\n')];
  };
  return [
    `### ${name}`,
    operation.summary,
    ...listed('Asks', asked),
    ...listed('Takes', fieldLines(sent)),
    ...(files.length > 0 ? [`Answers a file: ${files.join(', ')}.`] : []),
    ...listed(`Answers${status === '200' ? '' : ` ${status}`}`, fieldLines(pageOf(answer) ?? answer)),
    ...(pageOf(answer) ? ['… each of them, as `items` of a page (`page`, `pageSize`, `total`).'] : []),
    ...(status === '204' ? ['Answers 204, with nothing in it.'] : []),
  ].join('\n\n');
}

/** What a page of a list holds, where an answer is one. */
const pageOf = (answer: Shape | undefined): Shape | undefined => answer?.properties?.['items']?.items;

/** Each field on a line, those within it further in. */
function fieldLines(shape: Shape | undefined, depth = 0): readonly string[] {
  if (!shape || depth >= DEPTH) return [];
  const within = shape.type === 'array' ? shape.items : shape;
  const needed = new Set(within?.required ?? []);
  return Object.entries(within?.properties ?? {}).flatMap(([name, field]) => [
    line(name, field, needed.has(name), depth),
    ...fieldLines(field, depth + 1),
  ]);
}

const line = (name: string, shape: Shape, needed: boolean, depth: number): string =>
  `${'  '.repeat(depth)}- \`${name}\`${needed ? '\\*' : ''}: ${kindOf(shape)}`;

function kindOf(shape: Shape): string {
  if (shape.enum) return shape.enum.map((word) => `\`${String(word)}\``).join(', ');
  const either = shape.anyOf ?? shape.oneOf;
  if (either) {
    const kinds = [...new Set(either.map(kindOf))];
    return kinds.length > 4 ? 'object, by its form' : kinds.join(' or ');
  }
  if (shape.type === 'array') return `list of ${shape.items ? kindOf(shape.items) : 'anything'}`;
  if (Array.isArray(shape.type)) return 'object, by its form';
  const { minimum, maximum, maxLength } = shape;
  const type = typeof shape.type === 'string' ? shape.type : 'anything';
  if (minimum !== undefined && maximum !== undefined) return `${type}, ${minimum} to ${maximum}`;
  if (minimum !== undefined) return `${type}, ${minimum} or more`;
  return maxLength === undefined ? type : `${type}, at most ${maxLength} characters`;
}
