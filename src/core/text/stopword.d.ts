declare module "stopword" {
  export const dan: string[];
  export const deu: string[];
  export const eng: string[];
  export const fin: string[];
  export const fra: string[];
  export const ita: string[];
  export const nld: string[];
  export const nob: string[];
  export const pol: string[];
  export const por: string[];
  export const spa: string[];
  export const swe: string[];
}
