/** A number as it is written in the hall's language and as it is said in Latin letters. */
export interface CountWord {
  written: string;
  said: string;
}
/** What is called besides numbers. */
export const SPOKEN = ['ready', 'rest', 'switch', 'roles', 'end'] as const;
export type Spoken = (typeof SPOKEN)[number];

export interface CountLanguage {
  /** BCP 47 tag, for the voice and the font. */
  tag: string;
  name: string;
  /** Words for 1 to 99; beyond that the number goes on from 1. */
  word: (n: number) => CountWord;
  calls: Record<Spoken, CountWord>;
}

const hundred = (n: number) => ((n - 1) % 99) + 1;

const EN_ONES =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const EN_TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const english = (n: number): CountWord => {
  const k = hundred(n);
  const ten = EN_TENS[Math.floor(k / 10) - 2];
  const word = k < 20 ? EN_ONES[k - 1]! : k % 10 === 0 ? ten! : `${ten!}-${EN_ONES[(k % 10) - 1]!}`;
  return { written: word, said: word };
};

/** Tens and ones put together as Chinese numerals do it: ten, ten-one, two-ten, two-ten-one. */
const numeral =
  (digits: readonly CountWord[], ten: CountWord, gap: string) =>
  (n: number): CountWord => {
    const k = hundred(n);
    const [t, o] = [Math.floor(k / 10), k % 10];
    const parts = [...(t > 1 ? [digits[t - 1]!] : []), ...(t > 0 ? [ten] : []), ...(o > 0 ? [digits[o - 1]!] : [])];
    return { written: parts.map((p) => p.written).join(''), said: parts.map((p) => p.said).join(gap) };
  };
const pairs = (text: string): CountWord[] =>
  text.split(' ').map((p) => {
    const [written, said] = p.split('/');
    return { written: written!, said: said! };
  });

const calls = (text: string): Record<Spoken, CountWord> => {
  const words = text.split(', ').map((p) => {
    const [written, said] = p.split('/');
    return { written: written!, said: said ?? written! };
  });
  return Object.fromEntries(SPOKEN.map((s, i) => [s, words[i]!])) as Record<Spoken, CountWord>;
};

const KO_ONES = pairs('하나/hana 둘/dul 셋/set 넷/net 다섯/daseot 여섯/yeoseot 일곱/ilgop 여덟/yeodeol 아홉/ahop');
const KO_TENS = pairs(
  '열/yeol 스물/seumul 서른/seoreun 마흔/maheun 쉰/swin 예순/yesun 일흔/ilheun 여든/yeodeun 아흔/aheun',
);
const korean = (n: number): CountWord => {
  const k = hundred(n);
  const parts = [...(k >= 10 ? [KO_TENS[Math.floor(k / 10) - 1]!] : []), ...(k % 10 ? [KO_ONES[(k % 10) - 1]!] : [])];
  return { written: parts.map((p) => p.written).join(''), said: parts.map((p) => p.said).join(' ') };
};

/** Counts and calls as they are heard in halls, from memory; spoken forms from memory: Hepburn, Revised Romanisation, Pinyin, Jyutping. */
export const COUNT_LANGUAGES = {
  en: { tag: 'en', name: 'English', word: english, calls: calls('Ready, Rest, Switch, Change roles, Stop') },
  ja: {
    tag: 'ja',
    name: 'Japanese',
    word: numeral(
      pairs('一/ichi 二/ni 三/san 四/shi 五/go 六/roku 七/shichi 八/hachi 九/ku'),
      { written: '十', said: 'jū' },
      ' ',
    ),
    calls: calls('用意/yōi, 休め/yasume, 変えて/kaete, 交代/kōtai, 止め/yame'),
  },
  ko: {
    tag: 'ko',
    name: 'Korean',
    word: korean,
    calls: calls('준비/junbi, 쉬어/swieo, 바꿔/bakkwo, 교대/gyodae, 그만/geuman'),
  },
  cmn: {
    tag: 'cmn-Hans',
    name: 'Mandarin',
    word: numeral(
      pairs('一/yī 二/èr 三/sān 四/sì 五/wǔ 六/liù 七/qī 八/bā 九/jiǔ'),
      { written: '十', said: 'shí' },
      ' ',
    ),
    calls: calls('预备/yùbèi, 休息/xiūxi, 换边/huàn biān, 交换/jiāohuàn, 停/tíng'),
  },
  yue: {
    tag: 'yue-Hant',
    name: 'Cantonese',
    word: numeral(
      pairs('一/jat1 二/ji6 三/saam1 四/sei3 五/ng5 六/luk6 七/cat1 八/baat3 九/gau2'),
      { written: '十', said: 'sap6' },
      ' ',
    ),
    calls: calls('預備/jyu6 bei6, 休息/jau1 sik1, 轉邊/zyun3 bin1, 交換/gaau1 wun6, 停/ting4'),
  },
} as const satisfies Record<string, CountLanguage>;
export type CountLanguageId = keyof typeof COUNT_LANGUAGES;
