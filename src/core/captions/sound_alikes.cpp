#include "captions/sound_alikes.h"

#include "notes/text.h"

#include <algorithm>
#include <map>

namespace brumefall::captions {
namespace {

/// One thing that is said, and all that captions make of it, separated by commas.
struct Mishearing {
    std::string_view said;
    Company company;
    double confidence;
    std::string_view heard;
};

constexpr Mishearing kMishearings[] = {
    {"tightens", Company::any, 0.95,
        "titans,titan's,titan,tie tens,tightness,tight ends,tight and's,tightened,tighten's,type "
        "tens,tightons"},
    {"tightens to", Company::any, 0.85, "titans to,tightened to"},
    {"caution", Company::any, 0.95,
        "portion,cautions,corshun,cushion,courtian,auction,quotient,question,coercion"},
    {"over crest", Company::any, 0.95,
        "of a crest,off a crest,over rest,over crust,over christ,over chris,over press,over priest,of "
        "crest,overcast,over chrest,or crest,ever crest,oh the crest,of the crest,over quest"},
    {"over jump", Company::any, 0.9, "of a jump,off a jump,over jumped,of the jump"},
    {"over bridge", Company::any, 0.9, "of a bridge,off a bridge,over breach,of the bridge"},
    {"over bump", Company::any, 0.9, "of a bump,off a bump,of the bump"},
    {"crest", Company::after_over, 0.85, "rest,crust,christ,chris,press,priest,quest,cress"},
    {"hairpin", Company::any, 0.95,
        "hair pin,hare pin,air pin,her pin,here pin,harpin,hairpins,hair been,airpin,hair spin,hair "
        "piece,happening,herping,hair pen"},
    {"open hairpin", Company::any, 0.9, "open hair pin,opened hairpin,open air pin"},
    {"don't cut", Company::any, 0.95,
        "don't cup,don't caught,don't come,don't cat,don't got,don't cart,don't cook,don't court,don't "
        "carts,donut cut,do not cut,don't gut,don't kite,don't cutt,dont cup,don't coat,don cut,no cup"},
    {"cut", Company::after_dont, 0.85, "cup,caught,cat,got,gut,come,coat,court"},
    {"into", Company::before_corner, 0.95,
        "in two,in to,in too,and to,into a,in 2,intu,entwo,end to,and two,intro"},
    {"right", Company::direction, 0.95, "write,rite,wright,ride,white,bright,light,rights,rides"},
    {"left", Company::direction, 0.95, "lift,laughed,lefty,leff,last,let,lapped,leapt,theft,lefts"},
    {"four", Company::grade, 0.95, "for,fore,forth,foe,the four"},
    {"two", Company::grade, 0.95, "to,too,tu"},
    {"three", Company::grade, 0.95, "tree,free,thre,threw,three's"},
    {"one", Company::grade, 0.9, "won,wan"},
    {"five", Company::grade, 0.95, "fife,fight,hive,file,find,fire,fives,dive"},
    {"six", Company::grade, 0.95, "sex,sicks,sick,sick's,sixth,fix,ticks"},
    {"four", Company::grade, 0.6, "fall,far,full,door"},
    {"two", Company::grade, 0.6, "do,you"},
    {"three", Company::grade, 0.6, "the,street,there"},
    {"one", Company::grade, 0.6, "when,on"},
    {"square", Company::any, 0.85, "squire,squared,squares,swear"},
    {"square", Company::direction, 0.7, "scare,where"},
    {"opens", Company::any, 0.9, "opals,opium,open's,opans,hoping's,oh pens,o pens"},
    {"unseen", Company::any, 0.9, "on seen,un seen,and seen,unscene,unsane,unscen,one seen,answered"},
    {"jump maybe", Company::any, 0.9, "jump may be,jumped maybe,jump baby,chump maybe"},
    {"jump", Company::any, 0.8, "jumped,chump,jumps up"},
    {"kink", Company::any, 0.8, "king,kinks,keank,kinked,pink"},
    {"keep in", Company::any, 0.85, "keeping,keep him,kept in,keep it in"},
    {"keep out", Company::any, 0.85, "keep outs,kept out"},
    {"in", Company::after_keep, 0.6, "and,an,on"},
    {"middle", Company::after_keep, 0.85, "metal,meddle,mid all,little"},
    {"gatepost", Company::any, 0.9, "gate post,gate posts,great post,gape post"},
    {"camber", Company::any, 0.85, "camper,chamber,kamber,timber"},
    {"acute", Company::any, 0.85, "a cute,cute,a coot,accurate"},
    {"chicane", Company::any, 0.9, "she cane,chicken,she came,shikane,chic cane,she can,chacane"},
    {"junction", Company::any, 0.85, "junk shun,function,johnson,junctions"},
    {"through gate", Company::any, 0.9,
        "threw gate,through great,through date,through eight,threw a gate,to gate"},
    {"through", Company::any, 0.8, "threw,thru"},
    {"past", Company::any, 0.7, "passed"},
    {"bales", Company::any, 0.8, "bails"},
    {"bale", Company::any, 0.85, "bail,bell,bailey"},

    {"kerb", Company::any, 0.8, "curve"},
    {"dip", Company::after_over, 0.7, "deep,dib"},
    {"narrows", Company::any, 0.85, "narrow's,arrows,narrowed,marrows"},
    {"finish", Company::any, 0.9, "finnish,finished,spinach"},
    {"flying finish", Company::any, 0.9,
        "fly and finish,flying finnish,flying fish,frying finish,lying finish"},
    {"narrow", Company::any, 0.85, "marrow,narrower"},
    {"slippery", Company::any, 0.85, "slippy,slipper,slippers,sleepery,slip free,slip three"},
    {"cobbles", Company::any, 0.85, "couples,cobblers,gobbles,cables,wobbles"},
    {"onto gravel", Company::any, 0.85, "on to gravel,onto travel,on to travel,onto grovel"},
    {"gravel", Company::any, 0.6, "travel,grovel"},
    {"tarmac", Company::any, 0.85, "tar mac,tomac,tar mack,tarmack"},
    {"inside", Company::any, 0.8, "in side,insight"},
    {"outside", Company::any, 0.8, "out side"},
    {"deceptive", Company::any, 0.8, "receptive,the septive,deceptively"},
    {"danger", Company::any, 0.8, "ranger,dangers,stranger,dane jar"},
    {"barn", Company::any, 0.6, "barns,born,bar"},
    {"plus", Company::any, 0.8, "pluss,plush,pus"},
    {"minus", Company::any, 0.8, "mine us,my nose,minors"},
    {"extra long", Company::any, 0.85, "extra lung,extra lawn,ex along"},
    {"long", Company::any, 0.7, "lung,lawn,along"},
    {"late", Company::any, 0.5, "lait"},
    {"half long", Company::any, 0.85, "half along,have long"},
    {"one hundred", Company::any, 0.9, "won hundred,one hundreds"},
    {"thirty", Company::any, 0.85, "dirty,shirty,thursday,30th"},
    {"forty", Company::any, 0.85, "fourty,party,40th"},
    {"fifty", Company::any, 0.85, "50th,fif tea,nifty"},
    {"sixty", Company::any, 0.85, "60th,sixteen ty"},
    {"eighty", Company::any, 0.85, "80th,ady,haiti,a tea"},
    {"ninety", Company::any, 0.85, "90th,nighty"},
    {"seventy", Company::any, 0.85, "70th,seven tea"},
    {"twenty", Company::any, 0.85, "20th,plenty"},
};

using Table = std::map<std::string, std::vector<SoundAlike>, std::less<>>;

Table makeTable()
{
    Table table;
    for (const auto& [said, company, confidence, heard] : kMishearings) {
        for (std::size_t at = 0; at <= heard.size();) {
            const std::size_t end = std::min(heard.find(',', at), heard.size());
            SoundAlike entry{
                notes::splitWords(heard.substr(at, end - at)), notes::splitWords(said), company, confidence};
            table[entry.heard.front()].push_back(std::move(entry));
            at = end + 1;
        }
    }
    for (auto& [word, entries] : table) {
        std::stable_sort(entries.begin(), entries.end(),
            [](const SoundAlike& a, const SoundAlike& b) { return a.heard.size() > b.heard.size(); });
    }
    return table;
}

} // namespace

std::span<const SoundAlike> soundAlikes(std::string_view first_word)
{
    static const Table kTable = makeTable();
    const auto it = kTable.find(first_word);
    return it == kTable.end() ? std::span<const SoundAlike>() : std::span<const SoundAlike>(it->second);
}

} // namespace brumefall::captions
