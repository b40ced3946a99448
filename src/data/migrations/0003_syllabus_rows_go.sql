-- What each school asked row by row becomes its first published version; an item is introduced one belt before its first test.
ALTER TABLE "requirement" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "gate" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "condition_step" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "rank" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "school" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TEMPORARY TABLE "thread_made" AS
	SELECT q.school_id, gen_random_uuid() AS id, q.technique_id, min(k.position) AS first
	FROM requirement q JOIN rank k ON k.school_id = q.school_id AND k.id = q.rank_id
	GROUP BY q.school_id, q.technique_id;--> statement-breakpoint
INSERT INTO syllabus_version (school_id, id, state, title, "from", body)
SELECT s.id, gen_random_uuid(),
	CASE WHEN EXISTS (SELECT 1 FROM requirement q WHERE q.school_id = s.id) THEN 'published' ELSE 'draft' END,
	'As it was',
	CASE WHEN EXISTS (SELECT 1 FROM requirement q WHERE q.school_id = s.id) THEN date '2000-01-01' END,
	jsonb_build_object(
		'threads', coalesce((SELECT jsonb_agg(jsonb_build_object(
			'id', t.id, 'item', jsonb_build_object('technique', t.technique_id),
			'introduced', (SELECT k.id FROM rank k WHERE k.school_id = s.id AND k.position < t.first ORDER BY k.position DESC LIMIT 1),
			'until', null, 'informal', false) ORDER BY t.first, t.technique_id) FROM thread_made t WHERE t.school_id = s.id), '[]'),
		'requirements', coalesce((SELECT jsonb_agg(jsonb_build_object(
			'id', q.id, 'rankId', q.rank_id, 'threadId', t.id, 'conditionId', q.condition_id, 'purpose', q.purpose,
			'standard', q.standard, 'stage', null, 'rung', null, 'critical', false) ORDER BY q.rank_id, q.position)
			FROM requirement q JOIN thread_made t ON t.school_id = q.school_id AND t.technique_id = q.technique_id WHERE q.school_id = s.id), '[]'),
		'gates', coalesce((SELECT jsonb_agg(jsonb_build_object('id', g.id, 'rankId', g.rank_id, 'kind', g.kind, 'amount', g.amount))
			FROM gate g WHERE g.school_id = s.id), '[]'),
		'needs', '[]'::jsonb,
		'order', coalesce((SELECT jsonb_agg(jsonb_build_object('easier', c.easier_id, 'harder', c.harder_id))
			FROM condition_step c WHERE c.school_id = s.id), '[]'),
		'standards', '[]'::jsonb, 'promotions', '{}'::jsonb, 'waivers', '[]'::jsonb,
		'limits', '{"ages":{"soft head touch":16,"head impact":18,"hard conditioning":16,"weapons":null},"owns":null,"minutesPerPoint":25,"minutesPerCount":15}'::jsonb)
FROM school s;--> statement-breakpoint
DROP TABLE "thread_made";--> statement-breakpoint
ALTER TABLE "override" DROP CONSTRAINT "override_school_id_requirement_id_requirement_school_id_id_fk";--> statement-breakpoint
DROP TABLE "condition_step" CASCADE;--> statement-breakpoint
DROP TABLE "gate" CASCADE;--> statement-breakpoint
DROP TABLE "requirement" CASCADE;--> statement-breakpoint
CREATE FUNCTION published_is_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	IF OLD.state = 'published' THEN RAISE EXCEPTION 'a published syllabus does not change'; END IF;
	RETURN CASE WHEN TG_OP = 'DELETE' THEN OLD ELSE NEW END;
END $$;--> statement-breakpoint
CREATE TRIGGER syllabus_published_is_frozen BEFORE UPDATE OR DELETE ON syllabus_version
	FOR EACH ROW EXECUTE FUNCTION published_is_frozen();
