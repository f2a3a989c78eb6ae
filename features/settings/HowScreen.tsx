import { lexer, type Token, type Tokens } from 'marked';
import { createElement, useEffect, useState } from 'react';
import { View } from 'react-native';
import { length, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useUnits } from '../hooks';

/** The document as the build laid it beside the app. */
const ADDRESS = '/reckoning/reckoning.md';

/** How it reckons, told whole, with the drawings that the app made of itself. */
export function HowScreen() {
  const units = useUnits();
  const [text, setText] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let gone = false;
    fetch(ADDRESS)
      .then((answer) => (answer.ok ? answer.text() : Promise.reject(new Error())))
      .then((read) => !gone && setText(read))
      .catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [tries]);
  if (text === null)
    return (
      <Screen title="How it reckons, whole">
        <Words role="status">{failed ? 'It cannot be loaded now.' : 'One moment.'}</Words>
        {failed ? (
          <Press
            onPress={() => {
              setFailed(false);
              setTries(tries + 1);
            }}
          >
            Try again
          </Press>
        ) : null}
      </Screen>
    );
  return (
    <Screen title="How it reckons, whole">
      {lexer(inUnits(text, units)).map((token, i) => (
        <Block key={i} token={token} />
      ))}
    </Screen>
  );
}

/** Lengths in the teacher's units: "2.5 cm", "0–10 cm". */
export const inUnits = (text: string, units: Units) =>
  units === 'cm'
    ? text
    : text
        .replace(
          /(\d+(?:\.\d+)?)([–-])(\d+(?:\.\d+)?) cm/g,
          (_, from: string, dash: string, to: string) =>
            `${length(Number(from), units).replace(/ in$/, '')}${dash}${length(Number(to), units)}`,
        )
        .replace(/(\d+(?:\.\d+)?) cm/g, (_, cm: string) => length(Number(cm), units))
        .replace(/lengths are centimetres/g, 'lengths are inches')
        .replace(
          /(\d+(?:\.\d+)?)° per centimetre/g,
          (_, deg: string) => `${Math.round(Number(deg) * 25.4) / 10}° per inch`,
        );

/** Words of one line, with what is stressed in them. */
function Line({ tokens }: { readonly tokens: readonly Token[] | undefined }) {
  return (tokens ?? []).map((token, i) => {
    const inner = 'tokens' in token && token.tokens ? <Line tokens={token.tokens} /> : null;
    if (token.type === 'strong')
      return (
        <Words key={i} className="font-semibold">
          {inner}
        </Words>
      );
    if (token.type === 'em')
      return (
        <Words key={i} className="italic">
          {inner}
        </Words>
      );
    if (token.type === 'codespan')
      return (
        <Words key={i} className="text-faint">
          {(token as Tokens.Codespan).text}
        </Words>
      );
    return <Words key={i}>{inner ?? ('text' in token ? token.text : token.raw)}</Words>;
  });
}

const picturesIn = (tokens: readonly Token[] | undefined) =>
  (tokens ?? []).filter((one): one is Tokens.Image => one.type === 'image');

function Picture({ href, text }: Pick<Tokens.Image, 'href' | 'text'>) {
  return (
    <Sheet>
      {createElement('img', {
        src: `/${href}`,
        alt: `${text}: a usual, a short, a tall, a stiff and a free body`,
        loading: 'lazy',
        style: { width: '100%', height: 'auto' },
      })}
      <Words>{text}</Words>
    </Sheet>
  );
}

/** A heading, a paragraph, a list, a table or a formula of the document. */
function Block({ token }: { readonly token: Token }) {
  switch (token.type) {
    case 'heading': {
      const { depth, text } = token as Tokens.Heading;
      // The screen has the title of the document.
      return depth === 1 ? null : <Title level={depth === 2 ? 2 : 3}>{text}</Title>;
    }
    case 'paragraph': {
      const { tokens } = token as Tokens.Paragraph;
      const pictures = picturesIn(tokens);
      return pictures.length > 0 ? (
        pictures.map((one) => <Picture key={one.href} {...one} />)
      ) : (
        <Words>
          <Line tokens={tokens} />
        </Words>
      );
    }
    case 'blockquote':
      return (
        <View className="border-l-4 border-tape pl-3">
          {(token as Tokens.Blockquote).tokens.map((one, i) => (
            <Block key={i} token={one} />
          ))}
        </View>
      );
    case 'list':
      return (
        <View role="list" className="gap-1">
          {(token as Tokens.List).items.map((item, i) => (
            <View key={i} role="listitem" className="flex-row gap-2">
              <Words>·</Words>
              <View className="shrink">
                {item.tokens.map((one, j) => (
                  <Block key={j} token={one} />
                ))}
              </View>
            </View>
          ))}
        </View>
      );
    case 'text':
      return (
        <Words>
          <Line tokens={(token as Tokens.Text).tokens ?? [token]} />
        </Words>
      );
    case 'table':
      return <Table {...(token as Tokens.Table)} />;
    case 'code':
      return (
        <Sheet>
          <Words>{(token as Tokens.Code).text}</Words>
        </Sheet>
      );
    default:
      return null;
  }
}

/** A table as rows of named values: it reads on a phone, and aloud. */
const Table = ({ header, rows }: Tokens.Table) => (
  <Sheet>
    {rows.map((cells, i) => (
      <View key={i} className={i > 0 ? 'gap-0.5 border-t border-line pt-2' : 'gap-0.5'}>
        {cells.map(({ tokens }, j) => (
          <Words key={j} className={j === 0 ? 'font-semibold' : ''}>
            {j === 0 ? null : <Words className="text-faint">{header[j]?.text}: </Words>}
            <Line tokens={tokens} />
          </Words>
        ))}
      </View>
    ))}
  </Sheet>
);
