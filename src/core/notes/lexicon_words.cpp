#include "notes/lexicon_words.h"

#include <array>

namespace brumefall::notes {
namespace {

constexpr RoleWords kWords[] = {
    {Role::direction,
        "left right lefts=left rights=right left_hander=left right_hander=right left-hander=left "
        "right-hander=right left_hand=left right_hand=right left-hand=left right-hand=right"},
    {Role::named_grade,
        "hairpin open_hairpin tight_hairpin very_tight_hairpin long_hairpin=hairpin "
        "wide_hairpin=open_hairpin hair_pin=hairpin acute square open_square tight_square ninety=square "
        "kink slight flat bend sweeping=bend sweeper=bend curve=bend easy_bend=bend medium fast "
        "very_fast=fast easy very_easy=easy very_slight=slight hard tight very_tight "
        "flat_out=flat full=flat absolute=flat u_turn=hairpin hair_pins=hairpin hairpins=hairpin "
        "squared=square ninety_degree=square square_corner=square half_square=open_square "
        "acute_hairpin=tight_hairpin fast_hairpin=open_hairpin flat_kink=kink "
        "flick=kink gentle=easy flatout=flat fast_bend=bend wide_square=open_square very_acute=acute"},
    {Role::modifier,
        "plus minus half and_a_half=half a_half=half less=minus more=plus double_plus=double_plus "
        "double_minus=double_minus and_half=half and_a_bit=plus bit_less=minus minus_minus=double_minus "
        "plus_plus=double_plus"},
    {Role::extent,
        "short very_short extra_short long very_long extra_long extra_extra_long "
        "very_very_long=extra_long half_long longish=half_long shortish=short continues "
        "continuous=continues keeps_going=continues forever=extra_long long_long=very_long "
        "long_way=very_long a_long_way=very_long for_a_long_way=very_long "
        "all_the_way=extra_long constant=continues holds=continues hold=continues hold_it=continues "
        "a_bit_long=half_long "
        "doesn't_tighten=continues doesnt_tighten=continues does_not_tighten=continues "
        "don't_tighten=continues doesn't_open=continues doesnt_open=continues does_not_open=continues "
        "quite_long=half_long medium_long=half_long very_very_short=very_short really_long=very_long "
        "long_and_long=very_long goes_on=continues carries_on=continues continuing=continues "
        "stays=continues so_long=very_long super_long=extra_long ultra_long=extra_long"},
    {Role::shape,
        "tightens opens tightening=tightens opening=opens tighten=tightens open=opens closes=tightens "
        "closing=tightens tightens_up=tightens opens_up=opens opens_out=opens "
        "opens_round=opens opens_slightly=opens tightens_slightly=tightens tightens_hard=tightens "
        "tightens_bad=tightens nips=tightens nips_in=tightens unwinds=opens goes=becomes becomes "
        "eases=opens eases_to=opens double_tightens=double_tightens tightens_twice=double_tightens "
        "tightens_again=tightens opens_again=opens "
        "gets_tighter=tightens tightens_more=tightens tightens_a_lot=tightens tightens_a_bit=tightens "
        "tightens_quickly=tightens opens_quickly=opens opens_a_bit=opens opens_a_lot=opens "
        "opens_early=opens tightens_early=tightens tightens_up_to=tightens opens_up_to=opens "
        "opens_out_to=opens shuts=tightens straightens=opens straightens_up=opens releases=opens "
        "then_tightens=tightens then_opens=opens and_tightens=tightens and_opens=opens"},
    {Role::to, "to down_to up_to"},
    {Role::late,
        "late very_late=late at_the_end=late at_end=late lately=late late_on=late on_exit_late=late"},
    {Role::line,
        "no_cutting=dont_cut avoid_cutting=dont_cut cut "
        "small_cut little_cut=small_cut tiny_cut=small_cut slight_cut=small_cut big_cut "
        "cut_late=late_cut late_cut big_late_cut=late_cut small_late_cut=late_cut early_cut can_cut=cut "
        "cut_it=cut keep_in keep_out keep_left "
        "keep_mid=keep_middle stay_mid=keep_middle hold_mid=keep_middle "
        "keep_right keep_middle keep_centre=keep_middle keep_center=keep_middle keep_wide "
        "stay_in=keep_in stay_out=keep_out stay_left=keep_left stay_right=keep_right "
        "stay_middle=keep_middle stay_wide=keep_wide hug hug_inside=hug hug_left hug_right hug_it=hug "
        "tight_in=keep_in neat tidy late_entry late_turn_in=late_entry turn_in_late=late_entry "
        "early_entry wide_entry wide_in=wide_entry late_apex early_apex early=early_apex "
        "straight_on straight_on_through "
        "straight_through straight_over straight_at=straight_through use_all=use_all_road use_all_road "
        "use_all_the_road=use_all_road use_the_road=use_all_road keep_tight=hug keep_it_tight=hug "
        "keep_it_neat=neat in_the_middle=keep_middle out_wide=keep_wide hold_in=keep_in "
        "hold_out=keep_out stay_central=keep_middle keep_central=keep_middle middle=keep_middle "
        "watch_inside mind_inside=watch_inside watch_outside hold_left=keep_left hold_right=keep_right "
        "land_left=keep_left land_right=keep_right "
        "hold_it_left=keep_left hold_it_right=keep_right hold_middle=keep_middle hold_it_in=keep_in "
        "hold_it_out=keep_out keep_it_left=keep_left keep_it_right=keep_right keep_it_in=keep_in "
        "keep_it_out=keep_out keep_to_the_left=keep_left keep_to_the_right=keep_right "
        "keep_hard_left=keep_left keep_hard_right=keep_right keep_inside=keep_in keep_outside=keep_out "
        "stay_inside=keep_in stay_outside=keep_out keep_on_left=keep_left keep_on_right=keep_right "
        "keep_on_the_left=keep_left keep_on_the_right=keep_right keep_to_middle=keep_middle "
        "keep_to_the_middle=keep_middle keep_in_the_middle=keep_middle stay_in_the_middle=keep_middle "
        "drive_middle=keep_middle keep_in_middle=keep_middle stay_in_middle=keep_middle "
        "keep_in_the_centre=keep_middle stay_in_the_centre=keep_middle stay_centre=keep_middle "
        "tuck_in=keep_in tuck_it_in=keep_in tucked_in=keep_in stay_tight=hug "
        "tight_line=hug tight_on_inside=hug hug_the_inside=hug hug_bank=hug hug_the_bank=hug "
        "hug_wall=hug hug_the_left=hug hug_the_right=hug don't_slide_wide=keep_in don't_go_wide=keep_in "
        "don't_run_wide=keep_in never_wide=keep_in don't_be_early=late_entry don't_turn_early=late_entry "
        "late_turn=late_entry late_in=late_entry turn_late=late_entry go_in_late=late_entry "
        "don't_be_late=early_entry early_in=early_entry turn_early=early_entry turn_in_early=early_entry "
        "wide_exit use_exit=wide_exit run_wide=wide_exit let_it_run=wide_exit let_it_out=wide_exit "
        "wide_line=keep_wide out_to_in_line=late_apex double_cut huge_cut=big_cut large_cut=big_cut "
        "massive_cut=big_cut good_cut=big_cut bit_of_a_cut=small_cut half_cut=small_cut "
        "minimal_cut=small_cut cut_small=small_cut cut_a_bit=small_cut cut_big=big_cut cut_hard=big_cut "
        "cut_a_lot=big_cut cut_early=early_cut cut_on_exit=late_cut cut_exit=late_cut cuttable=cut "
        "cut_ok=cut cut_okay=cut ok_to_cut=cut cut_in=cut cut_entry=early_cut "
        "dont_clip=dont_cut don't_clip=dont_cut neatly=neat be_neat=neat keep_tidy=tidy "
        "keep_it_tidy=tidy tidy_line=tidy tidy_up=tidy keep_it_clean=tidy clean=tidy "
        "straight_line=straight_through "
        "straight_line_it=straight_through go_straight=straight_on go_straight_on=straight_on "
        "straight_ahead=straight_on straight_across=straight_on straight_on_over=straight_on "
        "carry_straight_on=straight_on straighten=straight_through straighten_it=straight_through "
        "straight_on_at=straight_on watch_the_inside=watch_inside watch_the_outside=watch_outside "
        "mind_the_inside=watch_inside mind_the_outside=watch_outside mind_outside=watch_outside "
        "both_wheels_in=cut line_it_up=line_up line_up not_left not_right"},
    {Role::relation,
        "over into=into_thing through past around round=around before after by=past at on_exit on_entry "
        "on_the_exit=on_exit on_the_entry=on_entry exit=on_exit inside outside on_inside=inside "
        "on_outside=outside on_the_inside=inside on_the_outside=outside under across=over via=through "
        "between along towards between_the=between until till=until in on onto=on from up=up "
        "down=down with "
        "on_left=left on_right=right on_the_left=left on_the_right=right left_side=left right_side=right "
        "left_hand_side=left right_hand_side=right on_left_side=left "
        "on_right_side=right to_the_left=left to_the_right=right both_sides=both_sides "
        "on_both_sides=both_sides either_side=both_sides each_side=both_sides left_and_right=both_sides "
        "mid_corner=mid_corner mid-corner=mid_corner in_middle=mid_corner mid=mid_corner "
        "at_apex=mid_corner on_apex=mid_corner at_the_apex=mid_corner out_of=out_of out=out_of "
        "beyond=past next_to=at beside=at near=at off=off just_after=after just_before=before "
        "straight_after=after straight_before=before just_past=past all_through=through alongside=along "
        "following=after on_the_inside_of=inside inside_of=inside on_top_of=on on_line=on_line "
        "on_the_line=on_line on_racing_line=on_line on_the_racing_line=on_line in_the_road=on_road "
        "on_road=on_road on_the_road=on_road in_road=on_road "
        "at_end_of=at at_the_end_of=at end_of=after in_braking=on_entry under_braking=on_entry "
        "at_entry=on_entry at_exit=on_exit "
        "at_the_exit=on_exit exits=on_exit"},
    {Role::thing,
        "twists twisty=twists twisting=twists crest crests=crest brow=crest brows=crest jump jumps=jump "
        "yump=jump yumps=jump bump "
        "bumps=bump bumpy=bump dip "
        "dips=dip ford fords=ford splash=water_splash watersplash=water_splash water_splash bridge "
        "bridges=bridge gate gates=gate gateway=gate gatepost=gatepost gateposts=gatepost "
        "gate_post=gatepost gate_posts=gatepost grid grids=grid cattle_grid=grid bale bales=bale "
        "hay_bale=bale hay_bales=bale straw_bales=bale log logs=log log_pile=logs tree trees=tree stump "
        "tree_stump=stump tree_stumps=stump "
        "stumps=stump rock rocks=rock stone stones=stone boulder boulders=boulder post posts=post pole "
        "poles=pole fence fences=fence wall walls=wall barn barns=barn house houses=house farm hut "
        "huts=hut church kerb kerbs=kerb curb=kerb curbs=kerb bank banks=bank ditch ditches=ditch drain "
        "drains=drain drop drops=drop cliff edge verge layby=lay_by lay_by lay_bys=lay_by laybys=lay_by "
        "passing_place sign signs=sign give_way give_way_sign=give_way board boards=board "
        "lamp=lamp lamps=lamp lantern lanterns=lantern "
        "rut ruts=ruts rutted=ruts hole holes=hole pothole=hole potholes=hole compression ramp hump "
        "humps=hump culvert tunnel arch railway=railway level_crossing=level_crossing crossing "
        "rails=railway village town quay harbour building buildings=building shed sheds=shed corner "
        "corners=corner apex puddle puddles=puddle stream river water=water barrier barriers=barrier "
        "armco=barrier tyres=tyres tyre=tyres cone cones=cone island chapel cairn mast tower cottage "
        "cottages=cottage straight straights=straight step steps=step tank hedge hedges=hedge bush "
        "bushes=bush wood woods=wood forest field spectators=spectators road lane track entrance "
        "driveway car_park triangle pond well mound root roots=root ridge ridges=ridge rise hill "
        "hills=hill hilltop=crest summit=crest top=crest bottom=dip hollow=dip bollard bollards=bollard "
        "guardrail=barrier guard_rail=barrier guard_rails=barrier rail=barrier fencing=fence pillar "
        "pillars=pillar column=pillar statue monument=monument shrine cross=monument yard farmyard=yard "
        "farm_yard=yard courtyard=yard garden gardens=garden orchard vineyard plantation copse quarry "
        "pit dam lake loch pool reservoir beach shore jetty pier slipway lighthouse windmill mill "
        "chimney silo trough telegraph_pole=pole telegraph_poles=pole telegraph_post=pole lamp_post=lamp "
        "lamp_posts=lamp lamppost=lamp street_light=lamp post_box=post_box postbox=post_box "
        "letter_box=post_box phone_box=phone_box telephone_box=phone_box bus_stop=bus_stop "
        "bus_shelter=bus_stop shelter bench seat stile kerbstone=kerb kerbing=kerb rumble_strip=kerb "
        "manhole drain_cover=drain gutter=drain gully=drain drainage=drain channel=drain pipe pipes=pipe "
        "culverts=culvert spring=stream burn=stream brook=stream creek=stream canal flood=puddle "
        "floods=puddle leaves branch branches=branch timber=logs logpile=logs log_stack=logs "
        "logstack=logs wood_pile=logs woodpile=logs trunk=tree trunks=tree stonewall=wall "
        "dry_stone_wall=wall stone_wall=wall rockface=rock rock_face=rock slab slabs=slab scree "
        "landslide=scree gravel_trap gravel_patch marshal marshals=marshal crowd=spectators "
        "people=spectators cameras=spectators photographers=spectators car cars=car tape flags=flag flag "
        "banner arrow arrows=arrow marker markers=marker reflector reflectors=marker bothy=hut cabin=hut "
        "cabins=hut garage works factory warehouse=warehouse hall school shop inn pub=inn hotel castle "
        "ruin ruins=ruin kiln oven path side_road=side_road main_road=main_road old_road=road "
        "access=entrance drive=driveway gap gaps=gap chute bowl saddle kinks pass=pass col=pass "
        "plateau=plateau switchback=switchback first_exit=first_exit second_exit=second_exit "
        "third_exit=third_exit fourth_exit=fourth_exit speed_bump=speed_bump speed_bumps=speed_bump "
        "sleeping_policeman=speed_bump speed_hump=speed_bump traffic_island=island "
        "central_reservation=island grass_triangle=triangle viaduct=bridge footbridge=bridge "
        "overpass=bridge underpass=tunnel archway=arch crossing_point=crossing tram_lines=railway lip "
        "ledge shelf hump_back=hump humpback=hump hump_back_bridge=humpback_bridge "
        "humpback_bridge=humpback_bridge undulations=bump undulating=bump ripples=bump washboard=bump "
        "trench=ditch grass_bank=bank mud_bank=bank snow_bank=bank snowbank=bank earth_bank=bank "
        "farm_gate=gate field_gate=gate iron_gate=gate wooden_gate=gate steel_gate=gate signpost=sign "
        "signposts=sign finger_post=sign hamlet double_apex triple_apex stick=sticks sticks airborne=jump "
        "bins=bin "
        "bin "
        "wheelie_bins=bin pallet pallets=pallet crate crates=crate "
        "barrel barrels=barrel "
        "boat boats=boat net nets=net anchor crane winch pump pylons=pylon pylon aerial=mast "
        "antenna=mast wind_turbine=turbine turbine turbines=turbine landing landings=landing van lorry "
        "lorries=lorry truck caravan tractor tractors=tractor trailer digger bus container "
        "containers=container silage hayrick stone_bridge=bridge water_crossing=ford "
        "railway_crossing=level_crossing farm_entrance=entrance time_control=control control part "
        "parts=part"},
    {Role::size,
        "small big huge large=big little=small tiny=small massive=huge deep shallow high low sharp "
        "nasty=bad bad slightly=small blind_small=small proper=big heavy=big big_one=big small_one=small "
        "steep soft double second "
        "triple twin=double first third last next really_big=huge very_big=huge very_small=small "
        "tiny_little=small medium_sized=medium_size short_sharp=sharp deepish=deep severe=bad "
        "vicious=bad second_one=second first_one=first third_one=third last_one=last fairly_big=big "
        "quite_big=big biggish=big smallish=small quadruple twice=double thrice=triple x2=double x3=triple"},
    {Role::maybe,
        "maybe possible=maybe possibly=maybe perhaps=maybe doubtful=maybe might=maybe could_be=maybe "
        "may_be=maybe potential=maybe potentially=maybe questionable=maybe probable=maybe probably=maybe"},
    {Role::visibility,
        "unseen unsighted=unseen blind=unseen hidden=unseen deceptive deceiving=deceptive "
        "looks_fast=deceptive "
        "looks_slow=deceptive seen visible=seen not_seen=unseen cannot_see=unseen can't_see=unseen "
        "no_view=unseen closed=unseen closed_view=unseen dark=unseen hides=unseen misleading=deceptive "
        "tricky=deceptive false=deceptive looks_open=deceptive looks_tight=deceptive "
        "looks_slower=deceptive looks_faster=deceptive tighter_than_it_looks=deceptive "
        "faster_than_it_looks=deceptive slower_than_it_looks=deceptive don't_be_fooled=deceptive "
        "don't_believe=deceptive clear=seen clear_view=seen open_view=seen can_see=seen you_can_see=seen "
        "visible_late=unseen"},
    {Role::surface,
        "gravel tarmac asphalt=tarmac concrete cobbles cobbled=cobbles cobble=cobbles mud muddy=mud ice "
        "icy=ice snow snowy=snow grass sand sandy=sand wet damp=wet slippery slippy=slippery "
        "slick=slippery loose broken patches patchy=patches patch=patches polished rough smooth dirt dirty "
        "gravelly=gravel grippy ash black_sand=sand marbles=loose greasy=slippery wet_patch=wet "
        "onto_gravel=gravel onto_tarmac=tarmac onto_concrete=concrete onto_cobbles=cobbles "
        "onto_t=tarmac onto_sand=sand onto_grass=grass to_gravel=gravel to_tarmac=tarmac to_cobbles=cobbles "
        "to_sand=sand to_concrete=concrete change_to_gravel=gravel change_to_tarmac=tarmac "
        "washed_out=broken rutty=broken standing_water bitumen=tarmac sealed=tarmac blacktop=tarmac "
        "paved=tarmac paving=cobbles setts=cobbles brick=cobbles bricks=cobbles dusty=loose dust=loose "
        "bad_surface=rough rough_surface=rough hardpack=gravel hard_packed=gravel stony=loose "
        "loose_stones=loose rocky=rough pot_holed=broken "
        "potholed=broken cracked=broken torn_up=broken chewed_up=broken cut_up=broken ploughed=broken "
        "washed_away=broken washout=broken wash_out=broken wash-out=broken clay mossy=slippery "
        "moss=slippery oily=slippery oil=slippery very_slippery=slippery slides=slippery slidey=slippery "
        "no_grip=slippery little_grip=slippery low_grip=slippery less_grip=slippery lots_of_grip=grippy "
        "good_grip=grippy more_grip=grippy grip_change=grip_change change_of_grip=grip_change "
        "surface_change=surface_change change_of_surface=surface_change changes_surface=surface_change "
        "change_surface=surface_change black_ice=ice ice_patch=ice ice_patches=ice icy_patches=ice "
        "frost=ice frosty=ice slush=snow slushy=snow packed_snow=snow snow_covered=snow flooded=wet "
        "very_wet=wet soaked=wet dry drying=dry damp_patches=wet wet_patches=wet wet_under_trees=wet "
        "mud_on_road=mud muddy_patches=mud gravel_on_road=gravel_on_road "
        "gravel_on_the_road=gravel_on_road dirt_on_road=mud sand_on_road=sand lava_gravel=gravel "
        "shale=loose loose_gravel=loose deep_gravel=loose soft_gravel=loose old_tarmac=tarmac "
        "new_tarmac=tarmac wooden_boards=wood planks=wood onto_ice=ice onto_snow=snow onto_mud=mud "
        "onto_asphalt=tarmac onto_dirt=dirt onto_loose=loose change_to_concrete=concrete "
        "change_to_cobbles=cobbles back_to_gravel=gravel back_to_tarmac=tarmac back_onto_gravel=gravel "
        "back_onto_tarmac=tarmac tarmac_ends=end_of_tarmac end_of_tarmac gravel_ends=end_of_gravel "
        "end_of_gravel concrete_ends=end_of_concrete end_of_concrete cobbles_end=end_of_cobbles "
        "end_of_cobbles gravel_starts=gravel tarmac_starts=tarmac"},
    {Role::camber,
        "off_camber bad_camber good_camber on_camber=good_camber banked=good_camber camber "
        "adverse_camber=off_camber adverse=off_camber negative_camber=off_camber "
        "camber_helps=good_camber camber_against=off_camber camber_off=off_camber camber_in=good_camber "
        "positive_camber=good_camber positive=good_camber helpful_camber=good_camber "
        "helping_camber=good_camber wrong_camber=bad_camber bad_cambered=bad_camber "
        "nasty_camber=bad_camber falls_off=off_camber leans_out=off_camber leans_in=good_camber "
        "cambers_away=off_camber cambers_out=off_camber cambers_off=off_camber cambers_in=good_camber "
        "cambered=camber reverse_camber=off_camber camber_change=camber_change banking=good_camber"},
    {Role::width,
        "narrow narrows=narrows narrowing=narrows wide=wide wider=wide road_narrows=narrows "
        "gets_narrow=narrows goes_narrow=narrows becomes_narrow=narrows tight_road=narrow "
        "road_widens=widens widens widening=widens widens_out=widens gets_wide=widens gets_wider=widens "
        "bit_wider=wide opens_wide=wide very_narrow tight_gap=narrow "
        "very_wide=wide wide_road=wide narrow_road=narrow single_track=narrow tight_between=narrow "
        "squeeze=narrow squeezes=narrows road_opens=wide pinch=narrow pinches=narrows bottleneck=narrow "
        "width_changes=width_change width_change road_changes=width_change"},
    {Role::gradient,
        "uphill downhill climbs=uphill climbing=uphill drops_away=downhill falls_away=downhill "
        "descends=downhill up_hill=uphill down_hill=downhill level steep_downhill=steep_downhill "
        "steep_uphill=steep_uphill steep_climb=steep_uphill steep_descent=steep_downhill climb=uphill "
        "rising=uphill rises=uphill goes_up=uphill going_up=uphill goes_down=downhill "
        "going_down=downhill descent=downhill descending=downhill falling=downhill drops_down=downhill "
        "steeply_down=steep_downhill steeply_up=steep_uphill levels=level levels_out=level "
        "flattens=level flattens_out=level"},
    {Role::junction,
        "junction t_junction=junction tee=junction crossroads=crossroads cross_roads=crossroads fork "
        "turn roundabout y_junction=fork at_junction=junction at_the_junction=junction "
        "second_junction=junction turn_off=junction off_road=junction t=junction tees=junction "
        "t-junction=junction junctions=junction y=fork y-junction=fork staggered_junction=junction "
        "side_turning=junction turning turnoff=junction turn-off=junction split_road=fork "
        "road_splits=fork leave_road=junction leave_the_road=junction off_main_road=junction "
        "onto_main_road=junction join_road=junction join_main_road=junction mini_roundabout=roundabout "
        "mini-roundabout=roundabout cross_road=crossroads cross-roads=crossroads crossroad=crossroads "
        "ninety_junction=junction at_roundabout=roundabout at_the_roundabout=roundabout "
        "at_crossroads=crossroads at_the_crossroads=crossroads at_fork=fork at_the_fork=fork"},
    {Role::chicane,
        "chicane esses=chicane chicanes=chicane artificial_chicane=chicane man_made_chicane=chicane "
        "s_bend=chicane s-bend=chicane s_bends=chicane s-bends=chicane ess=chicane"},
    {Role::entry,
        "entry enter entry_left=entry_left entry_right=entry_right left_entry=entry_left "
        "right_entry=entry_right enter_left=entry_left enter_right=entry_right left_in=entry_left "
        "right_in=entry_right entry_on_left=entry_left entry_on_right=entry_right "
        "enter_on_left=entry_left enter_on_right=entry_right enter_on_the_left=entry_left "
        "enter_on_the_right=entry_right in_left=entry_left in_right=entry_right entering_left=entry_left "
        "entering_right=entry_right left_side_entry=entry_left right_side_entry=entry_right "
        "left_first=entry_left right_first=entry_right"},
    {Role::warning,
        "care caution danger double_caution double_danger double_care very_careful=care careful=care "
        "big_caution=double_caution triple_caution take_care=care watch=care warning=caution "
        "attention=caution big_care=double_care extra_care=double_care extra_caution=double_caution "
        "triple_danger extreme_caution=double_caution extreme_danger=double_danger "
        "big_danger=double_danger real_danger=double_danger dangerous=danger beware=caution warn=caution "
        "heads_up=caution watch_out=caution look_out=caution watch_it=caution mind=care mind_the=care "
        "watch_the=care be_careful=care with_care=care with_caution=caution risk=caution"},
    {Role::sudden,
        "sudden suddenly=sudden abrupt=sudden all_of_a_sudden=sudden surprise=sudden surprising=sudden "
        "comes_quickly=sudden comes_early=sudden comes_quick=sudden"},
    {Role::speed,
        "don't_be_brave=not_brave not_brave slow slowing slows=slowing brake braking=brake steady brave "
        "hard_on_brakes=brake "
        "brake_hard=brake patience patient=patience commit push ease wait lift dont_brake "
        "don't_brake=dont_brake power slow_down=slow very_slow=slow slowly=slow slower=slow "
        "dead_slow=slow hard_brake=brake brake_early=brake_early early_brake=brake_early "
        "brake_late=brake_late late_brake=brake_late heavy_braking=brake big_brake=brake "
        "big_brakes=brake brakes=brake on_brakes=brake on_the_brakes=brake no_brakes=dont_brake "
        "no_brake=dont_brake small_brake=brake dab=brake dab_brake=brake dab_of_brake=brake "
        "touch_brake=brake touch_of_brake=brake don't_lift=dont_lift dont_lift never_lift=dont_lift "
        "no_lift=dont_lift small_lift=lift little_lift=lift big_lift=lift lift_off=lift lift_a_bit=lift "
        "off_throttle=lift trust=brave trust_it=brave believe=brave believe_it=brave be_brave=brave "
        "bravery=brave have_faith=brave confident=commit committed=commit full_commitment=commit "
        "commitment=commit attack full_attack=attack on_it=commit stay_on_it=commit keep_on_it=commit "
        "stay_flat=flat keep_flat=flat flat_in_six=flat flat_in_top=flat keep_it_flat=flat "
        "hold_flat=flat hold_it_flat=flat keeping_flat=flat absolutely_flat=flat full_throttle=flat "
        "full_power=flat foot_down=power not_flat nearly_flat almost_flat=nearly_flat "
        "not_quite_flat=nearly_flat just_flat=nearly_flat flat_if_brave=nearly_flat "
        "on_power=power early_power=power power_on=power go_hard=push push_hard=push pushing=push "
        "don't_rush=patience don't_get_greedy=patience don't_be_greedy=patience don't_get_sucked_in=patience "
        "don't_hurry=patience no_rush=patience wait_for_it=wait don't_push=patience be_patient=patience "
        "steady_away=steady "
        "steadily=steady take_it_easy=steady take_it_steady=steady calm_down=steady coast=lift "
        "hold_back=patience back_off=lift quick quickly=quick roll=lift rolling=lift"},
    {Role::joiner,
        "and then=and immediate=into into_immediate=into into_an_immediate=into plus_then=and "
        "immediately=into straight_into=into direct=into straightaway=into "
        "close=and tight_into=into followed_by=and leads_into=into leading_into=into leads_to=into "
        "goes_into=into runs_into=into directly_into=into straight_to=into quickly_into=into "
        "and_then=and then_immediately=into and_immediately=into tightly_into=into then_into=into "
        "in_to=into plus_another=and"},
    {Role::start, "start start_line=start go_line=start from_start=start"},
    {Role::finish,
        "timing_beam=finish timing_line=finish finish flying_finish=finish end_of_stage=finish "
        "to_finish=finish over_finish=finish "
        "through_finish=finish to_the_finish=finish flying=finish end_of_the_stage=finish "
        "stage_end=finish the_finish=finish finish_line=finish flying_finish_line=finish "
        "across_finish=finish over_the_finish=finish over_the_line=finish through_the_finish=finish "
        "past_finish=finish finish_board=finish finish_boards=finish over_flying_finish=finish "
        "to_flying_finish=finish to_the_flying_finish=finish"},
    {Role::stop,
        "stop stop_board=stop stop_line=stop to_stop=stop to_the_stop=stop stop_control=stop "
        "stop_sign=stop to_stop_line=stop to_stop_board=stop stop_point=stop stop_at_the_board=stop"},
    {Role::here,
        "here here_now=here now now_now=now here_it_is=here this_one=here this_is_it=here coming_now=now"},
    {Role::correction,
        "no sorry correction i_mean no_wait=no no_no=no scrap_that=no cancel=no i_meant=no make_that=no "
        "make_it=no or=no actually=no rather=no my_mistake=no my_fault=no my_bad=no"},
    {Role::for_, "for"},
    {Role::metres, "metres meters metre m"},
    {Role::instruction,
        "wipers lights lights_on main_beam=lights breathe relax handbrake hand_brake=handbrake pull horn "
        "look gear change_down change_up set_up tap split trip zero_trip wiper=wipers wipers_on=wipers "
        "wipers_off=wipers lamps_on=lights spotlights=lights spots=lights dip_lights=lights "
        "full_beam=lights high_beam=lights demist demister=demist heater fan visor visor_up=visor "
        "visor_down=visor intercom drink pull_handbrake=handbrake use_handbrake=handbrake "
        "up_a_gear=change_up down_a_gear=change_down second_gear=gear first_gear=gear third_gear=gear "
        "fourth_gear=gear change_gear=gear anti_lag stage_mode road_mode launch launch_control=launch "
        "check_tyres=check check check_pressures=check belts belts_tight=belts hold_on=belts "
        "sound_horn=horn clear_screen=wipers mirror mirrors=mirror listen quiet deep_breath=breathe "
        "breathe_out=breathe land lands=land"},
    {Role::qualifier,
        "white red black yellow green blue grey gray=grey brown old stone_built broken_down iron wooden "
        "new lone opposite main tall purple pink orange silver "
        "rusty metal steel wire barbed electric overhanging derelict abandoned ruined lonely single "
        "pointed far parked fallen cut_down lying standing painted striped chequered"},
    {Role::glue,
        "the take takes a an of it in_it its is there this that your you're we just as be you will side "
        "hand-side "
        "it's has where slightly_more another again still keep stay get which so only very really quite "
        "bit them they these those some any been being all_along along_here yourself my our for_a "
        "at_all that_one nice_and from_here until_here start_of beginning_of middle_of edge_of lots_of "
        "plenty_of because "
        "if when while must should got comes come coming gets surface width conditions starts begins "
        "starting ends finishes ahead changes change"},
    {Role::underline, "!"},
    {Role::chatter,
        "good_luck well_done nice nicely lovely brilliant excellent come_on okay ok yeah yes good_job "
        "great super perfect keep_it_up good_work that's_it good here_we_go let's_go lets_go go_go_go go "
        "go_on alright all_right right_then ready are_you_ready thank_you thanks cheers well_driven "
        "good_lad mate beautiful doing_well keep_pushing nice_one sweet countdown seconds seconds_to_go "
        "ten_seconds thirty_seconds enjoy_it have_fun head_up concentrate keep_calm calm don't_worry "
        "no_problem we're_good that_was_good uh um er oh wow whoa good_stuff that's_good that's_better "
        "that's_nice well_held nicely_done good_one good_note great_stuff great_job fantastic amazing mega "
        "superb epic "
        "awesome wonderful super_job smashing bravo yes_mate yes_boys yep yup right_okay right_o "
        "understood copy got_it sorry_about_that bad_luck unlucky no_worries it's_fine "
        "we're_fine all_good you're_good you_good you_okay you_alright doing_great doing_fine "
        "let's_do_it let's_have_it have_a_good_one have_a_good_stage good_stage good_run "
        "see_you_at_the_end in_your_own_time when_you're_ready off_we_go away_we_go and_we're_off "
        "we're_off hello hi morning blimey crikey phew goodness ha haha laughs laughter applause music "
        "next_one next_stage lost i'm_lost lost_it foreign cheering engine revving hm hmm mm mmm ah aha eh "
        "right_so so_then "
        "five_seconds "
        "three_two_one two_one ten_seconds_to_go minute one_minute two_minutes thirty_seconds_to_go "
        "fifteen_seconds twenty_seconds three_two_one_go keep_the_rhythm keep_going keep_that_up "
        "stay_calm stay_focused stay_with_it focus come_on_then that's_the_one that_was_close close_one "
        "that_was_nice we_made_it nearly_there almost_there half_way halfway "
        "i i'm i'll i've i'd am we're we'll we've we'd you've you'll he he's she she's they're they'll "
        "him her his hers their theirs me us was wasn't were weren't are aren't do does did didn't "
        "doesn't have haven't had hadn't having can can't could couldn't would wouldn't shouldn't what "
        "what's why how who who's whose think thinking thought know knew knows feel feels felt say says "
        "said saying see saw tell told hear heard pretty thing things something nothing anything "
        "everything everyone everybody anyone somebody nobody lot day today tomorrow yesterday tonight "
        "time times about like not never always but than too_much also basically honestly "
        "literally obviously probably_not let's_see that's that'll there's here's where's how's isn't "
        "ain't gonna going_to wanna want wants wanted need needs needed love loved loving hate guys boys "
        "lads lad buddy dude folks sir hey oi please sorry_mate fine better best worse worst happy funny "
        "mad crazy insane unbelievable incredible gosh god jesus damn bloody hell shit bollocks bugger "
        "sake christ_alive morning_all evening weekend week year years season rally event service team "
        "crew driver co-driver codriver weather temperature fuel tyre_choice give gave giving make makes "
        "made making put puts try tried trying work working worked happened happens happening thank "
        "thankful welcome subscribe video okay_so alright_then whatever whoever anyway though although "
        "while_we until_then ever every someone else same different already yet soon later_on early_on "
        "just_about almost nearly_all quite_a_bit enough"},
};

// what is said before a cut that is not to be taken
constexpr std::string_view kRefusals =
    "don't dont do_not no not never cannot can't cant must_not mustn't should_not shouldn't won't avoid "
    "without not_to not_a no_a isn't_a not_too_much not_much no_real don't_ever don't_you don't_you_dare "
    "don't_take_the don't_take_a don't_try_to don't_be_tempted_to not_the never_ever you_can't you_cannot";

constexpr std::array<std::pair<std::string_view, std::string_view>, 85> kAbbreviations{{
    {"l", "left"},
    {"k", "kink"},
    {"fl", "flat"},
    {"@", "at"},
    {"r", "right"},
    {"lg", "long"},
    {"sh", "short"},
    {"vlg", "very long"},
    {"xlg", "extra long"},
    {"dc", "don't cut"},
    {"ndc", "don't cut"},
    {"cr", "crest"},
    {"hp", "hairpin"},
    {"sq", "square"},
    {"ac", "acute"},
    {"ti", "tightens"},
    {"tis", "tightens"},
    {"op", "opens"},
    {"ops", "opens"},
    {"ca", "caution"},
    {"dng", "danger"},
    {"jmp", "jump"},
    {"kl", "keep left"},
    {"kr", "keep right"},
    {"ki", "keep in"},
    {"ko", "keep out"},
    {"km", "keep middle"},
    {"jn", "junction"},
    {"ch", "chicane"},
    {"br", "bridge"},
    {"fin", "finish"},
    {"sct", "small cut"},
    {"&", "and"},
    {">", "tightens"},
    {"<", "opens"},
    {"ov", "over"},
    {"thr", "through"},
    {"tt", "tightens"},
    {"tgt", "tightens"},
    {"opn", "opens"},
    {"sm", "small"},
    {"bg", "big"},
    {"bmp", "bump"},
    {"bmps", "bumps"},
    {"brg", "bridge"},
    {"cau", "caution"},
    {"caut", "caution"},
    {"dbl", "double"},
    {"nar", "narrow"},
    {"slip", "slippery"},
    {"unsn", "unseen"},
    {"jct", "junction"},
    {"ent", "entry"},
    {"ex", "exit"},
    {"ins", "inside"},
    {"outs", "outside"},
    {"kp", "keep"},
    {"lng", "long"},
    {"xl", "extra long"},
    {"vl", "very long"},
    {"vsh", "very short"},
    {"uns", "unseen"},
    {"mb", "maybe"},
    {"tts", "tightens"},
    {"nc", "no cut"},
    {"bmpy", "bumpy"},
    {"bc", "bad camber"},
    {"tl", "turn left"},
    {"tr", "turn right"},
    {"hpl", "hairpin left"},
    {"hpr", "hairpin right"},
    {"tar", "tarmac"},
    {"grv", "gravel"},
    {"conc", "concrete"},
    {"nrw", "narrow"},
    {"wtr", "water"},
    {"chi", "chicane"},
    {"med", "medium"},
    {"slt", "slight"},
    {"->", "into"},
    {"=>", "into"},
    {"→", "into"},
    {"ovr", "over"},
    {"thru", "through"},
    {"w", "with"},
}};

// "fast left, slow right" is all that is said of how tight it is; "over crest or jump" takes nothing back
constexpr SecondMeaning kSecondMeanings[] = {
    {"slow", Role::named_grade, "slow", 1.2},
    {"quick", Role::named_grade, "quick", 0.9},
    {"sharp", Role::named_grade, "sharp", 0.6},
    {"open", Role::named_grade, "open", 0.9},
    {"k", Role::named_grade, "kink", 0.4},
    {"kay", Role::named_grade, "kink", 0.6},
    {"flat", Role::speed, "flat", 0.5}, // "over two crests flat"
    {"flat out", Role::speed, "flat out", 0.5},
    {"or", Role::glue, "or", 0.2},
    {"in", Role::line, "keep in", 2.2}, // "left four in"
    {"out", Role::line, "keep out", 1.4},
    {"to", Role::joiner, "into", 0.9}, // "left three to right five"
    {"well", Role::chatter, "well", 0.0},
    {"enter", Role::joiner, "into", 0.5},
    {"bad", Role::warning, "bad", 0.6}, // "bad right three"
    {"nasty", Role::warning, "nasty", 0.6},
    {"double", Role::visibility, "double", 0.6}, // "double left three"
    // "past the left hand gatepost"
    {"left hand", Role::qualifier, "left hand", 0.2},
    {"right hand", Role::qualifier, "right hand", 0.2},
    {"left-hand", Role::qualifier, "left-hand", 0.2},
    {"right-hand", Role::qualifier, "right-hand", 0.2},
};

constexpr WeakForm kWeakForms[] = {
    {"into", "IH N T AH"}, // heard as "in the"
    {"don't cut", "D OW N K AH T"}, // "done cut"
};

} // namespace

std::span<const RoleWords> lexiconWords()
{
    return kWords;
}

std::string_view refusals()
{
    return kRefusals;
}

std::span<const SecondMeaning> secondMeanings()
{
    return kSecondMeanings;
}

std::string_view otherGradeOf(std::string_view word)
{
    for (const SecondMeaning& meaning : kSecondMeanings) {
        if (meaning.role == Role::named_grade && meaning.word == word) {
            return meaning.written;
        }
    }
    return {};
}

std::span<const WeakForm> weakForms()
{
    return kWeakForms;
}

std::span<const std::pair<std::string_view, std::string_view>> commonAbbreviations()
{
    return kAbbreviations;
}

} // namespace brumefall::notes
