export default function Beside() {
  return null;
}
