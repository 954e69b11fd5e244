/** The time zones a studio may stand in, by region, with the time there. */

export interface ZoneGroup {
  readonly region: string;
  readonly zones: readonly { readonly id: string; readonly name: string }[];
}

/**
 * All zones of the browser by the first part of their name; a zone it does not list is there as well when it is `own`.
 * @param now moment of which the times are, ms since 1970
 */
export function zonesByRegion(own: string, now: number): ZoneGroup[] {
  const known = Intl.supportedValuesOf('timeZone');
  const all = [...new Set([...known, 'UTC', ...(own ? [own] : [])])].sort();
  const groups = new Map<string, { id: string; name: string }[]>();
  for (const id of all) {
    const [region, ...rest] = id.split('/');
    const there = rest.length ? region : 'Other';
    const place = (rest.length ? rest.join(', ') : id).replaceAll('_', ' ');
    groups.set(there, [...(groups.get(there) ?? []), { id, name: `${place}, ${timeIn(id, now)}` }]);
  }
  return [...groups].map(([region, zones]) => ({ region, zones }));
}

/** The clock there, 24 hours; empty for a name that is no zone. */
function timeIn(zone: string, now: number): string {
  try {
    return new Date(now).toLocaleTimeString('en-GB', {
      hour: '2-digit',
      minute: '2-digit',
      timeZone: zone,
    });
  } catch {
    return '';
  }
}
