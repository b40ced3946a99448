export default function Look(_: { kit: unknown; school: string }) { return null; }
