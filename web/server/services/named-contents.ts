/**
 * SQL of a table with a row for every recording and photo that an entry of a log or a part on the shelf names: `sha`,
 * the entry's `id` and `drive_id`.
 * @param log table of entries
 */
export const namedContents = (log = 'log_entries'): string =>
  `(select json_extract(data, '$.sha') as sha, id, drive_id from ${log} where data is not null
    union all select json_extract(data, '$.captureSha'), id, drive_id from ${log} where data is not null
    union all select json_extract(evidence, '$.recording'), id, drive_id from ${log} where evidence is not null
    union all select photo, id, '' from spares where photo is not null)`
