/** The steps in a stream of server-sent events. */
export async function* steps<Step>(body: ReadableStream<Uint8Array>): AsyncGenerator<Step> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  while (true) {
    const { done, value } = await reader.read();
    if (done) return;
    rest += decoder.decode(value, { stream: true });
    const events = rest.split('\n\n');
    rest = events.pop()!;
    for (const event of events) {
      const data = event
        .split('\n')
        .filter((line) => line.startsWith('data:'))
        .map((line) => line.slice(5))
        .join('\n');
      if (data) yield JSON.parse(data) as Step;
    }
  }
}
