export default function Overview() {
  return null;
}
