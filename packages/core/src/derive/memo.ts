/** A stage that answers again at once when every input is the very object it was last given. */
export function stage<Inputs extends readonly unknown[], Answer>(reckon: (...inputs: Inputs) => Answer): (...inputs: Inputs) => Answer {
  let last: { readonly inputs: Inputs; readonly answer: Answer } | null = null;
  return (...inputs) => {
    if (last === null || inputs.some((input, i) => input !== last!.inputs[i])) last = { inputs, answer: reckon(...inputs) };
    return last.answer;
  };
}

/** Remembers an answer for each object for as long as the object lives. */
export function perObject<Input extends object, Answer>(reckon: (input: Input) => Answer): (input: Input) => Answer {
  const answers = new WeakMap<Input, { readonly answer: Answer }>();
  return (input) => {
    let known = answers.get(input);
    if (known === undefined) answers.set(input, (known = { answer: reckon(input) }));
    return known.answer;
  };
}

/** Remembers the answers of the last few different inputs, told apart by a key. */
export function byKey<Inputs extends readonly unknown[], Answer>(
  keyOf: (...inputs: Inputs) => string,
  reckon: (...inputs: Inputs) => Answer,
  keep: number,
): (...inputs: Inputs) => Answer {
  const answers = new Map<string, Answer>();
  return (...inputs) => {
    const key = keyOf(...inputs);
    const answer = answers.get(key) ?? reckon(...inputs);
    answers.delete(key);
    answers.set(key, answer);
    if (answers.size > keep) answers.delete(answers.keys().next().value!);
    return answer;
  };
}
