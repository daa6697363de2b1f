-- A form that was sent, by the key it carries: sent again it is answered and not done again.
create table sent_form (
  account_id bigint not null references account,
  key text not null,
  digest text not null,
  at timestamptz not null,
  location text,
  primary key (account_id, key, digest)
);
create index sent_form_at on sent_form (at);

-- Every foreign key has an index of its own: what is looked up or removed from the other end needs it.
create index account_by_studio on account (studio_id);
create index blend_trial_by_account on blend_trial (account_id);
create index blend_trial_by_blend on blend_trial (blend_id);
create index dip_by_account on dip (account_id);
create index firing_event_by_account on firing_event (account_id);
create index kiln_care_by_account on kiln_care (account_id);
create index mesh_by_studio on mesh (studio_id);
create index mix_event_by_account on mix_event (account_id);
create index mix_event_by_mix_session on mix_event (mix_session_id, id);
create index mix_session_by_studio on mix_session (studio_id, started_at desc);
create index mix_session_by_tree on mix_session (tree_id, started_at desc);
create index mold_weighing_by_account on mold_weighing (account_id);
create index mold_weighing_by_studio on mold_weighing (studio_id);
create index overruling_by_account on overruling (account_id);
create index photo_by_account on photo (account_id);
create index photo_by_blend_trial on photo (blend_trial_id);
create index photo_by_firing on photo (firing_id);
create index photo_by_studio on photo (studio_id);
create index piece_revision_by_account on piece_revision (account_id);
create index sand_log_by_account on sand_log (account_id);
create index school_by_account on school (account_id);
create index sheet_revision_by_account on sheet_revision (account_id);
create index shell_event_by_account on shell_event (account_id);
create index shell_run_by_account on shell_run (account_id);
create index shell_run_by_tree on shell_run (tree_id);
create index shell_weighing_by_account on shell_weighing (account_id);
create index slurry_reading_by_account on slurry_reading (account_id);
create index studio_factor_by_account on studio_factor (account_id);
create index tree_by_series_of on tree (series_of);
create index weighing_by_account on weighing (account_id);
create index weighing_by_studio on weighing (studio_id);
create index weighing_by_tree on weighing (tree_id, id);
