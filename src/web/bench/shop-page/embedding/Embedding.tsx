export default function Embedding() {
  return null;
}
