/**
 * The starting catalogue as one table, a row a material. Times are label minutes at 21 °C and 50 % relative
 * humidity for one normal coat; blank means "does not apply". `recoat` lists windows `from-to` joined by `|`,
 * where `30-` has no end. `elong_pct` is the film's elongation at break, `solvent` its attack (0 water, 1 white
 * spirit, 2 alcohol and aromatics, 3 ketones and acetates), `hide_um` the dry film that hides 98 %, `traits` what
 * it is besides its binder (`model/traits.ts`), `colour` a typical colour to draw it in. Typical values only: the label and the safety data sheet of the tin always win.
 */
export const catalogueTable = `id,name,role,binder,carrier,solvent,wft_um,solids,elong_pct,sheen_gu,hide_um,touch,recoat,tape,sand,handle,pack,wear,tmin,tmax,rhmax,potlife,mix,methods,redissolves,shelf_months,hazards,traits,colour,note
rubber-dip-spray,Rubber dip spray,seal,synthetic rubber,solvent,3,150,0.22,400,6,40,20,30-,480,,240,1440,1440,10,32,80,,,aerosol,yes,36,organic vapour; flammable,,#2a2a2c,peelable; crack-prone under thick paint
pva-thinned,PVA glue thinned 2:1,seal,PVA,water,0,120,0.35,60,25,,30,60-,720,720,120,1440,1440,10,35,75,,2:1 glue:water,brush|foam-brush,yes,24,,resoftens|shrinks,#e6e2d6,softens under heavy washes until covered
pva-flex-primer,Flexible PVA foam primer,seal,PVA,water,0,120,0.42,200,20,60,20,45-,720,720,60,1440,1440,10,35,75,,,brush|foam-brush,yes,24,,,#e9e6dc,tintable up to 15 %
foam-coat-rubberiser,Water-borne foam coat,seal,acrylic,water,0,140,0.40,250,20,,30,60-,720,1440,120,1440,1440,10,35,75,,,brush|foam-brush,no,24,,,#d9d7cf,dries clear
neoprene-soft,Brush-on neoprene soft,seal,chloroprene,water,0,200,0.40,500,10,,45,60-,1440,,240,1440,1440,10,35,75,,,brush,no,18,skin,,#d6cfbd,dries clear; tintable up to 15 %; never sanded
neoprene-semirigid,Brush-on neoprene semi-rigid,seal,chloroprene,water,0,200,0.45,150,15,,60,90-,1440,1440,240,2160,2880,10,35,75,,,brush,no,18,skin,,#cfc6b0,sand 400 grit after a day
natural-latex,Natural latex,seal,natural rubber,water,0,180,0.55,600,10,,30,60-,1440,,240,2880,1440,10,35,75,,,brush,no,12,latex allergy; ammonia,shrinks,#e3d9bd,perishes with copper and oils
decoupage-gloss,Gloss decoupage medium,seal,vinyl acrylic,water,0,150,0.40,15,70,,20,60-,1440,1440,120,10080,2880,10,35,70,,,brush|stipple|foam-brush,no,24,,shrinks,#e8e6e0,stiffens; cracks when bent; stays blocking-prone for a week
foam-seal-spray,Foam seal spray,seal,acrylic,water,0,60,0.25,150,12,60,10,15-,360,720,60,720,1440,10,32,75,,,aerosol,no,24,particles; flammable,,#d5d5d0,water-borne aerosol
epoxy-clear,Clear epoxy 1:1,seal,epoxy,none,0,250,1.00,4,95,,480,240-720|1440-,1440,1440,720,2880,4320,16,32,85,30,1:1 volume,brush|foam-brush,no,24,sensitiser,fades,#dfe3e0,self-levels; rework every few minutes for texture
acrylic-caulk,Flexible acrylic caulk,fill,acrylic,water,0,800,0.60,200,10,,30,120-,1440,,60,1440,1440,5,35,80,,,tool,no,18,,,#efeeea,smooth with a wet finger; shrinks
silicone-caulk,Silicone caulk,fill,silicone,none,0,800,0.95,400,40,,20,,,,60,1440,1440,5,40,95,,,tool,no,12,vapour,,#e6eaea,nothing sticks to it
light-spackle,Flexible lightweight spackle,fill,acrylic,water,0,800,0.55,10,5,,30,240-,1440,120,60,1440,1440,8,35,75,,,tool,no,18,dust,,#f1efe9,mist with water when crumbly
foam-filler-paste,Brushable foam filler,fill,acrylic,water,0,200,0.55,30,8,,30,180-,720,120,60,1440,1440,8,35,75,,,brush|tool,no,18,dust,,#e2dccb,sand 240 then 400
foam-clay,Air-dry foam clay,fill,EVA,water,0,5000,0.60,60,8,,180,1440-,1440,1440,360,2880,1440,10,35,75,,,tool,no,12,,,#dcdad4,a day for 5 mm; must be dry through
contact-cement,Contact cement,bond,chloroprene,solvent,3,150,0.22,300,10,,10,,,,15,1440,1440,10,32,80,,,brush,no,18,organic vapour; flammable,sets-slowly,#c9a24f,tack 5 to 15 min; full strength in a day to three
rubber-cement,Rubber cement,bond,rubber,solvent,2,120,0.15,300,10,,5,,,,15,1440,1440,10,32,80,,,brush,no,12,organic vapour; flammable,sets-slowly,#d8c48a,weaker and cleaner
ca-glue,Cyanoacrylate,bond,cyanoacrylate,none,0,80,1.00,2,40,,1,30-,,60,2,60,60,10,35,90,,,tool,no,12,vapour; bonds skin,,#e4e6e4,brittle; accelerator residue wiped
hot-glue,Hot-melt glue,bond,EVA,none,0,1000,1.00,100,30,,2,10-,,,5,10,10,5,35,95,,,tool,no,60,burns,melts,#e3dcc0,lets go above 60 °C
acrylic-pu-primer-black,Acrylic-urethane primer black,prime,acrylic urethane,water,0,80,0.30,100,8,25,20,60-,1440,1440,120,1440,2880,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#1d1d1f,flexible undercoat
acrylic-pu-primer-white,Acrylic-urethane primer white,prime,acrylic urethane,water,0,80,0.30,100,8,45,20,60-,1440,1440,120,1440,2880,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#f2f2ef,flexible undercoat
acrylic-pu-primer-grey,Acrylic-urethane primer grey,prime,acrylic urethane,water,0,80,0.30,100,8,30,20,60-,1440,1440,120,1440,2880,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#8b8d8e,flexible undercoat
acrylic-pu-primer-oxide,Acrylic-urethane primer red-brown,prime,acrylic urethane,water,0,80,0.30,100,8,25,20,60-,1440,1440,120,1440,2880,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#7a3b2a,under gold and brass
lacquer-primer-spray,Acrylic lacquer primer spray,prime,acrylic lacquer,solvent,3,60,0.15,8,10,25,10,10-,240,120,60,720,1440,10,32,80,,,aerosol,yes,36,organic vapour; flammable,,#8f9193,hard and quick
alkyd-flat-spray,Flat alkyd spray,prime,alkyd,solvent,2,60,0.20,12,8,30,30,15-60|2880-,1440,1440,300,2880,10080,10,32,85,,,aerosol,no,36,organic vapour; flammable,,#3a3a3a,within the hour or after two days
adhesion-promoter,Plastic adhesion promoter,prime,chlorinated polyolefin,solvent,3,15,0.05,100,20,,5,5-30,,,10,60,60,10,32,80,,,aerosol,yes,36,organic vapour; flammable,promotes,#e5e1cf,for thermoplastic and cast parts
craft-acrylic,Craft acrylic,paint,acrylic,water,0,80,0.32,50,10,55,20,45-,720,1440,60,2880,1440,10,35,75,,,brush|sponge|foam-brush|dry-brush,no,36,,,#7d8a94,economical; several coats
artist-acrylic,Heavy-body artist acrylic,paint,acrylic,water,0,100,0.40,60,20,40,25,60-,1440,1440,120,4320,2880,10,35,75,,,brush|sponge|dry-brush,no,60,,,#6b7f8c,strong pigment
flex-acrylic,Flexible costume acrylic,paint,acrylic,water,0,90,0.36,200,12,45,20,45-,720,1440,60,1440,1440,10,35,75,,,brush|sponge|foam-brush|airbrush,no,36,,,#6f8a8a,made to bend
flex-acrylic-gloss,Flexible costume acrylic gloss,paint,acrylic,water,0,90,0.36,200,80,45,20,45-,720,1440,60,2880,1440,10,35,75,,,brush|sponge|foam-brush,no,36,,,#6f8a8a,stubborn shine
airbrush-acrylic,Airbrush acrylic,paint,acrylic,water,0,25,0.20,80,15,35,5,10-,720,1440,30,1440,1440,12,32,70,,thin with reducer,airbrush,no,36,particles,,#7b8794,many thin passes
acrylic-metallic,Metallic acrylic,paint,acrylic,water,0,80,0.30,60,45,70,20,45-,720,1440,60,2880,1440,10,35,75,,,brush|sponge|dry-brush,no,36,,metallic,#a3a6a8,semi-opaque flakes
airbrush-metallic,Airbrush metallic,paint,acrylic,water,0,25,0.20,80,50,30,5,10-,720,1440,30,1440,1440,12,32,70,,thin with reducer,airbrush|brush,no,36,particles,metallic,#a9acae,good cover; dries fast
copper-acrylic,Real-copper acrylic,paint,acrylic,water,0,80,0.35,50,40,50,20,60-,1440,1440,60,2880,2880,10,35,75,,,brush|sponge,no,36,metal powder,copper|metallic,#a5623c,turns green with an activator; not with latex
acrylic-spray,Low-pressure acrylic spray,paint,acrylic lacquer,solvent,2,50,0.18,15,12,30,12,15-,720,1440,60,2880,2880,10,32,80,,,aerosol,yes,36,organic vapour; flammable,,#7b8a7b,good cover in two coats
alkyd-gloss-spray,Gloss alkyd spray,paint,alkyd,solvent,2,70,0.22,12,85,35,60,15-60|2880-,2880,2880,480,4320,10080,10,32,85,,,aerosol,no,36,organic vapour; flammable,,#5c6a72,window like the flat one
metallic-lacquer-spray,Metallic lacquer spray,paint,acrylic lacquer,solvent,3,50,0.14,8,55,20,10,15-,720,,60,1440,1440,10,32,80,,,aerosol,yes,36,organic vapour; flammable,metallic,#9da0a3,base for worn metal
chrome-effect-spray,Chrome effect spray,paint,acrylic lacquer,solvent,3,30,0.06,5,95,10,15,1440-,,,1440,4320,4320,15,30,65,,,aerosol,yes,24,organic vapour; flammable,mirror|metallic,#d3d7da,marks easily; any clear dulls it
hobby-enamel,Hobby enamel,paint,alkyd,solvent,1,60,0.40,15,60,30,360,1440-,2880,2880,720,4320,10080,10,32,80,,,brush|airbrush,no,60,organic vapour,,#5d7268,slow and tough
stone-texture-spray,Stone texture spray,texture,acrylic lacquer,solvent,2,250,0.40,5,5,120,60,120-,1440,,240,1440,1440,10,32,80,,,aerosol,no,36,organic vapour; flammable,,#8e8a82,spatter between two sealer coats
acrylic-wash,Acrylic wash,weather,acrylic,water,0,40,0.05,60,8,,15,30-,720,,30,1440,1440,10,35,75,,1:6 paint:water,brush|wipe,no,36,,,#3b3029,wipe back within 3 minutes
dry-brush-acrylic,Dry-brushed acrylic,weather,acrylic,water,0,15,0.40,60,12,,5,10-,360,,15,720,720,10,35,80,,,dry-brush|sponge,no,60,,,#c8c4b8,high points only
panel-wash,Panel-line wash,weather,alkyd,solvent,1,25,0.10,15,10,,30,1440-,1440,,120,1440,2880,10,32,80,,,brush|wipe,no,60,organic vapour,,#2d2620,clean up after half an hour with white spirit
oil-wash,Thinned oil wash,weather,oil,solvent,1,25,0.20,30,20,,1440,4320-,4320,,2880,7200,10080,10,32,80,,,brush|wipe,no,120,organic vapour; self-heating rags,,#3a2a1d,slow
chip-resist,Wipe-off chipping resist,weather,resist,water,0,40,0.10,,,,15,15-1440,,,15,,,10,35,80,,,brush|sponge,no,24,,,#d8d2b4,top colour wiped off when touch-dry; wash residue off
graphite-powder,Graphite powder,weather,powder,none,0,2,1.00,,35,,1,1-,,,1,1,1,0,40,95,,,wipe,no,120,dust,greasy|metallic,#53565a,buff; needs a clear to stay
pigment-powder,Weathering pigment,weather,powder,none,0,10,1.00,,2,,1,1-,,,1,1,1,0,40,95,,,brush,no,120,dust,,#8a5a35,needs a clear to stay
earth-dab,Dry earth,weather,powder,none,0,100,1.00,,1,,1,1-,,,1,1,1,0,40,95,,,brush,no,,dust,,#6e5a41,sieved and baked; needs a clear to stay
metal-wax,Rub-on metal wax,weather,wax,solvent,1,10,0.60,30,45,10,30,60-,,,240,2880,1440,10,30,85,,,wipe,yes,60,organic vapour; flammable,metallic,#b08f4a,last of all; water-borne clears bead on it
alcohol-marker,Alcohol marker,detail,dye,solvent,2,5,0.05,,15,,1,2-,10,,2,5,5,5,40,90,,,pen,yes,36,organic vapour; flammable,fades,#2c3e66,bleeds under solvent clears
matte-varnish,Matte acrylic varnish,topcoat,acrylic urethane,water,0,70,0.30,80,10,,30,120-,1440,2880,120,2880,4320,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#e4e4e0,stir; too thick goes cloudy
satin-varnish,Satin acrylic varnish,topcoat,acrylic urethane,water,0,70,0.30,80,30,,30,120-,1440,2880,120,2880,4320,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#e2e3e1,
gloss-varnish,Gloss acrylic varnish,topcoat,acrylic urethane,water,0,70,0.32,80,85,,30,120-,1440,2880,120,2880,4320,10,32,75,,,brush|airbrush|foam-brush,no,36,,,#dfe2e4,
flex-clear,Flexible clear,topcoat,PVA,water,0,100,0.38,200,30,,20,45-,720,,60,1440,1440,10,35,75,,,brush|foam-brush,yes,24,,,#e3e3df,mixes with paint
matte-clear-spray,Matte clear spray,topcoat,acrylic lacquer,solvent,3,40,0.12,8,8,,12,20-,720,,60,1440,1440,10,32,75,,,aerosol,yes,36,organic vapour; flammable,,#e4e4e1,frosts in damp air
gloss-clear-spray,Gloss clear spray,topcoat,acrylic lacquer,solvent,3,45,0.14,8,88,,15,20-,720,,60,1440,1440,10,32,75,,,aerosol,yes,36,organic vapour; flammable,,#dde1e4,
urethane-2k-clear,Two-part urethane clear,topcoat,urethane,solvent,3,60,0.45,25,92,,90,15-60|1440-,1440,1440,480,2880,4320,15,30,75,240,4:1 volume,aerosol|airbrush,no,12,isocyanate,,#dbe0e4,licensed practice with supplied air only
urethane-1k-clear,One-part water-borne urethane clear,topcoat,urethane,water,0,70,0.32,100,25,,30,120-,1440,2880,120,2880,4320,10,32,75,,,brush|foam-brush|airbrush,no,24,,,#e3e3de,tough and clear; no hardener
textile-medium,Textile medium,prime,acrylic,water,0,60,0.35,250,15,,30,60-,1440,,120,1440,2880,10,35,75,,,brush|sponge,no,36,,for-cloth,#e4e3de,stirred into acrylic for cloth; or a first coat on cloth
flexible-additive,Flexible additive,topcoat,acrylic,water,0,60,0.38,250,30,,25,60-,1440,,90,1440,1440,10,35,75,,,brush|foam-brush,no,36,,,#e4e3df,stirred into acrylic so that it bends; or over it
alcohol-ink,Alcohol ink,detail,dye,solvent,2,10,0.05,,15,,2,5-,20,,5,10,10,10,35,80,,,brush|airbrush,yes,36,organic vapour; flammable,fades,#2f5f7a,clear stain; bleeds under solvent clears
mica-paint,Mica powder in a clear binder,paint,acrylic,water,0,80,0.32,60,55,130,20,45-,1440,1440,60,2880,2880,10,35,75,,,brush|sponge,no,24,,metallic,#b58f4e,a shimmer that lets the ground show
glow-paint,Glow powder in a clear binder,paint,acrylic,water,0,120,0.40,40,20,250,30,90-,1440,1440,120,2880,2880,10,35,75,,,brush,no,24,,over-white|glows,#dfe8c8,glows best over white; several coats
fluorescent-acrylic,Fluorescent acrylic,paint,acrylic,water,0,80,0.32,50,12,140,20,45-,1440,1440,60,2880,1440,10,35,75,,,brush|sponge|airbrush,no,24,,fades|over-white,#ff6b3d,weak cover; over white
leaf-size,Water-borne leaf size,prime,acrylic,water,0,30,0.35,100,40,,20,30-360,,,20,2880,2880,12,32,70,,,brush,no,24,,size,#e2e0d4,leaf goes on while it is clear and sticky
metal-leaf,Metal leaf,paint,sheet,none,0,1,1.00,5,85,1,1,1440-,1440,,1440,2880,2880,5,40,85,,,hand,no,,,leaf|metallic,#c9a54a,on size in its tack window; sealed with a clear
self-adhesive-vinyl,Self-adhesive vinyl,detail,sheet,none,0,80,1.00,120,60,20,1,1-,60,,1,60,60,10,35,80,,,hand,no,60,,sheet,#d8d8d4,on films that have cured
foil-tape,Metal foil tape,detail,sheet,none,0,50,1.00,5,80,5,1,1-,60,,1,60,60,10,35,80,,,hand,no,60,,sheet|metallic,#b9bcbe,burnished down; scratches
hot-glue-low,Low-temperature hot-melt glue,bond,EVA,none,0,1000,1.00,150,30,,3,10-,,,8,15,15,5,35,95,,,tool,no,60,burns,melts,#e6dfc6,kinder to foam; lets go sooner in the heat
quick-flat-spray,Quick flat acrylic spray,paint,acrylic lacquer,solvent,2,45,0.16,15,6,30,8,10-,480,720,40,1440,1440,10,32,80,,,aerosol,yes,36,organic vapour; flammable,,#6a6d70,dry in minutes; flat
uv-varnish,Satin varnish with UV filter,topcoat,acrylic urethane,water,0,70,0.30,80,30,,30,120-,1440,2880,120,2880,4320,10,32,75,,,brush|airbrush|foam-brush,no,36,,uv-filter,#e2e3e1,for what stands in the sun
`;
