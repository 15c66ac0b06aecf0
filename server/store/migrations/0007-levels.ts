/** Who may do a procedure is a word, in editions that were kept with a letter too. Never edited once landed. */
export const levels = `
UPDATE edition
  SET content = json_set(content, '$.level', CASE json_extract(content, '$.level') WHEN 'T' THEN 'tenant' WHEN 'S' THEN 'staff' ELSE 'licensed' END)
  WHERE json_extract(content, '$.level') IN ('T', 'S', 'L');
`;
