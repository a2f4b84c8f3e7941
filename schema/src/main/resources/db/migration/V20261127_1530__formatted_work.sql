-- What is handed in is formatted text now; what was written before stands as one paragraph.
update handed_in
set body = '<p>' || replace(replace(replace(replace(replace(
  body, '&', '&amp;'), '<', '&lt;'), '>', '&gt;'), chr(13), ''), chr(10), '<br />') || '</p>'
where body <> '';
update work_draft
set body = '<p>' || replace(replace(replace(replace(replace(
  body, '&', '&amp;'), '<', '&lt;'), '>', '&gt;'), chr(13), ''), chr(10), '<br />') || '</p>'
where body <> '';
