declare module "snowball-stemmers" {
  interface Stemmer {
    stem(word: string): string;
  }
  const stemmers: { newStemmer(algorithm: string): Stemmer };
  export default stemmers;
}
