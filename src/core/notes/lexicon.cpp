#include "notes/lexicon.h"

#include <algorithm>
#include <array>
#include <map>
#include <set>
#include <sstream>

namespace brumefall::notes {
namespace {

struct RoleWords {
    Role role;
    std::string_view phrases; ///< separated by blanks; "_" joins words; "said=meant" where they differ
};

constexpr RoleWords kWords[] = {
    {Role::direction, "left right lefts=left rights=right"},
    {Role::named_grade,
        "hairpin open_hairpin tight_hairpin very_tight_hairpin long_hairpin=hairpin "
        "wide_hairpin=open_hairpin "
        "hair_pin=hairpin acute square open_square tight_square ninety=square kink slight flat bend "
        "easy_bend=bend "
        "medium fast very_fast=fast easy tight very_tight flat_out=flat full=flat absolute=flat "
        "u_turn=hairpin"},
    {Role::modifier,
        "plus minus half and_a_half=half a_half=half less=minus more=plus double_plus=double_plus "
        "double_minus=double_minus"},
    {Role::extent,
        "short very_short extra_short long very_long extra_long extra_extra_long very_very_long=extra_long "
        "half_long "
        "longish=half_long shortish=short continues continuous=continues keeps_going=continues "
        "forever=extra_long "
        "long_long=very_long all_the_way=extra_long constant=continues holds=continues"},
    {Role::shape,
        "tightens opens tightening=tightens opening=opens tighten=tightens open=opens closes=tightens "
        "closing=tightens "
        "tightens_up=tightens widens=opens opens_up=opens opens_out=opens opens_round=opens "
        "opens_slightly=opens "
        "tightens_slightly=tightens tightens_hard=tightens tightens_bad=tightens nips=tightens "
        "nips_in=tightens "
        "unwinds=opens goes=becomes becomes eases=opens eases_to=opens double_tightens=double_tightens "
        "double_apex triple_apex"},
    {Role::to, "to down_to up_to"},
    {Role::late, "late at_the_end=late at_end=late lately=late late_on=late on_exit_late=late"},
    {Role::line,
        "dont_cut don't_cut=dont_cut do_not_cut=dont_cut no_cut=dont_cut never_cut=dont_cut cut small_cut "
        "little_cut=small_cut tiny_cut=small_cut slight_cut=small_cut big_cut cut_late=late_cut late_cut "
        "early_cut "
        "can_cut=cut cut_it=cut keep_in keep_out keep_left keep_right keep_middle keep_centre=keep_middle "
        "keep_center=keep_middle keep_wide stay_in=keep_in stay_out=keep_out stay_left=keep_left "
        "stay_right=keep_right "
        "stay_middle=keep_middle stay_wide=keep_wide hug hug_inside=hug hug_left hug_right hug_it=hug "
        "tight_in=keep_in "
        "neat tidy late_entry late_turn_in=late_entry turn_in_late=late_entry early_entry wide_entry "
        "wide_in=wide_entry "
        "late_apex early_apex straight_on straight_on_through straight_through straight_over "
        "straight_at=straight_through "
        "use_all=use_all_road use_all_road use_all_the_road=use_all_road use_the_road=use_all_road "
        "keep_tight=hug "
        "keep_it_tight=hug keep_it_neat=neat in_the_middle=keep_middle on_the_left=keep_left "
        "on_the_right=keep_right "
        "line_left=keep_left line_right=keep_right out_wide=keep_wide hold_in=keep_in hold_out=keep_out "
        "stay_central=keep_middle keep_central=keep_middle middle=keep_middle watch_inside "
        "mind_inside=watch_inside "
        "watch_outside"},
    {Role::relation,
        "over into=into_thing through past around round=around before after by=past at on_exit on_entry "
        "on_the_exit=on_exit on_the_entry=on_entry exit=on_exit inside outside on_inside=inside "
        "on_outside=outside "
        "on_the_inside=inside on_the_outside=outside under across=over via=through between along towards "
        "between_the=between until till=until in on from up=up down=down with"},
    {Role::thing,
        "crest crests=crest brow=crest brows=crest jump jumps=jump bump bumps=bump bumpy=bump dip dips=dip "
        "ford fords=ford "
        "splash=water_splash watersplash=water_splash water_splash bridge bridges=bridge gate gates=gate "
        "gateway=gate "
        "gatepost=gatepost gateposts=gatepost gate_post=gatepost gate_posts=gatepost grid grids=grid "
        "cattle_grid=grid "
        "bale bales=bale hay_bale=bale hay_bales=bale straw_bales=bale log logs=log log_pile=logs tree "
        "trees=tree "
        "stump stumps=stump rock rocks=rock stone stones=stone boulder boulders=boulder post posts=post pole "
        "poles=pole "
        "fence fences=fence wall walls=wall barn barns=barn house houses=house farm hut huts=hut church kerb "
        "kerbs=kerb "
        "curb=kerb curbs=kerb bank banks=bank ditch ditches=ditch drain drains=drain drop drops=drop cliff "
        "edge verge "
        "layby=lay_by lay_by lay_bys=lay_by laybys=lay_by passing_place sign signs=sign board boards=board "
        "lamp=lamp lamps=lamp "
        "lantern lanterns=lantern rut ruts=ruts rutted=ruts hole holes=hole pothole=hole potholes=hole "
        "compression "
        "ramp hump humps=hump culvert tunnel arch railway=railway level_crossing=level_crossing crossing "
        "rails=railway "
        "village town quay harbour building buildings=building shed sheds=shed corner corners=corner "
        "apex puddle puddles=puddle stream river water=water barrier barriers=barrier armco=barrier "
        "tyres=tyres tyre=tyres cone cones=cone island chapel cairn mast tower cottage cottages=cottage "
        "straight straights=straight yump=jump step steps=step tank hedge hedges=hedge bush bushes=bush wood "
        "woods=wood forest field "
        "spectators=spectators "
        "road lane track entrance driveway car_park triangle pond well mound root roots=root"},
    {Role::size,
        "small big huge large=big little=small tiny=small massive=huge deep shallow high low sharp nasty=bad "
        "bad "
        "slightly=small blind_small=small wide_thing=wide proper=big heavy=big steep soft double second "
        "triple twin=double first third last next"},
    {Role::maybe, "maybe possible=maybe possibly=maybe perhaps=maybe doubtful=maybe might=maybe"},
    {Role::visibility,
        "unseen blind=unseen hidden=unseen deceptive deceiving=deceptive looks_fast=deceptive "
        "looks_slow=deceptive "
        "seen visible=seen"},
    {Role::surface,
        "gravel tarmac asphalt=tarmac concrete cobbles cobbled=cobbles cobble=cobbles mud muddy=mud ice "
        "icy=ice snow snowy=snow "
        "grass sand sandy=sand wet damp=wet slippery slippy=slippery slick=slippery loose broken patches "
        "patchy=patches "
        "polished rough smooth dirt dirty gravelly=gravel grippy ash black_sand=sand marbles=loose "
        "greasy=slippery "
        "wet_patch=wet onto_gravel=gravel onto_tarmac=tarmac onto_concrete=concrete onto_cobbles=cobbles "
        "onto_sand=sand "
        "onto_grass=grass to_gravel=gravel to_tarmac=tarmac to_cobbles=cobbles to_sand=sand "
        "to_concrete=concrete "
        "change_to_gravel=gravel change_to_tarmac=tarmac washed_out=broken rutty=broken standing_water"},
    {Role::camber,
        "off_camber bad_camber good_camber on_camber=good_camber banked=good_camber camber "
        "adverse_camber=off_camber "
        "adverse=off_camber negative_camber=off_camber"},
    {Role::width,
        "narrow narrows=narrows narrowing=narrows wide=wide wider=wide road_narrows=narrows opens_wide=wide "
        "very_narrow tight_gap=narrow"},
    {Role::gradient,
        "uphill downhill climbs=uphill climbing=uphill drops_away=downhill falls_away=downhill "
        "descends=downhill "
        "up_hill=uphill down_hill=downhill level"},
    {Role::junction,
        "junction t_junction=junction tee=junction crossroads=crossroads cross_roads=crossroads fork turn "
        "roundabout y_junction=fork at_junction=junction at_the_junction=junction second_junction=junction "
        "turn_off=junction off_road=junction"},
    {Role::chicane, "chicane esses=chicane chicanes=chicane"},
    {Role::entry,
        "entry enter entry_left=entry_left entry_right=entry_right left_entry=entry_left "
        "right_entry=entry_right "
        "enter_left=entry_left enter_right=entry_right left_in=entry_left right_in=entry_right"},
    {Role::warning,
        "care caution danger double_caution double_danger double_care very_careful=care careful=care "
        "big_caution=double_caution triple_caution take_care=care caution_caution=double_caution "
        "danger_danger=double_danger care_care=double_care watch=care warning=caution attention=caution"},
    {Role::sudden, "sudden suddenly=sudden"},
    {Role::speed,
        "slow slowing slows=slowing brake braking=brake steady brave hard_on_brakes=brake brake_hard=brake "
        "patience "
        "patient=patience commit push ease wait lift dont_brake don't_brake=dont_brake flat_over power"},
    {Role::joiner,
        "and then=and plus_then=and immediately=into straight_into=into direct=into straightaway=into "
        "close=and tight_into=into"},
    {Role::start, "start"},
    {Role::finish,
        "finish flying_finish=finish end_of_stage=finish to_finish=finish over_finish=finish "
        "through_finish=finish to_the_finish=finish flying=finish"},
    {Role::stop, "stop stop_board=stop stop_line=stop to_stop=stop to_the_stop=stop"},
    {Role::here, "here here_now=here now"},
    {Role::correction, "no sorry correction i_mean"},
    {Role::for_, "for"},
    {Role::metres, "metres meters metre m"},
    {Role::instruction,
        "wipers lights lights_on main_beam=lights breathe relax handbrake hand_brake=handbrake pull horn "
        "look "
        "gear change_down change_up set_up tap split trip zero_trip"},
    {Role::qualifier,
        "white red black yellow green blue grey gray=grey brown old stone_built broken_down iron wooden "
        "concrete_thing "
        "new lone left_hand=left_hand right_hand=right_hand opposite main tall"},
    {Role::glue,
        "the a an of it its is there this that your you're we onto just as be you will side "
        "hand-side it's has where slightly_more another again still keep stay get"},
    {Role::underline, "!"},
    {Role::chatter,
        "good_luck well_done nice nicely lovely brilliant excellent come_on okay ok yeah yes good_job great "
        "super perfect "
        "keep_it_up good_work that's_it good here_we_go let's_go lets_go go_go_go go go_on alright all_right "
        "right_then "
        "ready are_you_ready thank_you thanks cheers well_driven good_lad mate beautiful doing_well "
        "keep_pushing "
        "nice_one sweet countdown seconds seconds_to_go ten_seconds thirty_seconds enjoy_it have_fun head_up "
        "concentrate "
        "keep_calm calm don't_worry no_problem we're_good that_was_good uh um er oh wow whoa"},
};

std::vector<std::string> splitWords(std::string_view phrase)
{
    std::vector<std::string> words;
    std::string word;
    std::istringstream stream{std::string(phrase)};
    while (std::getline(stream, word, '_')) {
        words.push_back(word);
    }
    return words;
}

struct Lexicon {
    std::multimap<std::string, LexiconEntry> by_first_word;
    std::vector<std::string> known;

    Lexicon()
    {
        std::set<std::string> all;
        for (const auto& [role, phrases] : kWords) {
            std::istringstream stream{std::string(phrases)};
            std::string item;
            while (stream >> item) {
                const auto equals = item.find('=');
                LexiconEntry entry{splitWords(item.substr(0, equals)), role,
                    equals == std::string::npos ? item : item.substr(equals + 1)};
                all.insert(entry.words.begin(), entry.words.end());
                const std::string first = entry.words.front();
                by_first_word.emplace(first, std::move(entry));
            }
        }
        known.assign(all.begin(), all.end());
    }
};

const Lexicon& lexicon()
{
    static const Lexicon instance;
    return instance;
}

constexpr std::array<std::pair<std::string_view, std::string_view>, 30> kAbbreviations{{
    {"l", "left"},
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
}};

} // namespace

LexiconMatch longestMatch(std::span<const std::string> words)
{
    LexiconMatch best;
    if (words.empty()) {
        return best;
    }
    const auto [first, last] = lexicon().by_first_word.equal_range(words.front());
    for (auto it = first; it != last; ++it) {
        const auto& phrase = it->second.words;
        if (phrase.size() > best.words && phrase.size() <= words.size()
            && std::equal(phrase.begin(), phrase.end(), words.begin())) {
            best = {&it->second, phrase.size()};
        }
    }
    return best;
}

const std::vector<std::string>& knownWords()
{
    return lexicon().known;
}

std::span<const std::pair<std::string_view, std::string_view>> commonAbbreviations()
{
    return kAbbreviations;
}

} // namespace brumefall::notes
